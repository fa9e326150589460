/** What was seen and what should be, in words. */
import type { Expected } from '../deliver/expected.ts';
import type { LogEntry } from '../deliver/logbook.ts';
import { expectedText, readingText } from '../deliver/value-text.ts';
import { say } from './say.ts';

/** @example saysReading(3.31, 'V') === '3.31 V' */
export const saysReading = (value: number | string | undefined, unit = ''): string => say(readingText(value, unit));

/** @example saysExpected({ min: 100, max: null, unit: 'Ω' }) === 'above 100 Ω' */
export const saysExpected = (expected: Pick<Expected, 'min' | 'max' | 'unit'> | string): string =>
  say(expectedText(expected));

/** What an entry is, in a few words: "found: the lead is out", "note", "5 V". */
export const saysEntry = ({ kind, title }: Pick<LogEntry, 'kind' | 'title'>): string =>
  kind === 'measured' || kind === title ? title : `${kind}: ${title}`;
