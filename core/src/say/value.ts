/** What was seen and what should be, in words. */
import type { Expected } from '../deliver/expected.ts';
import type { LogEntry } from '../deliver/logbook.ts';
import type { PutDown } from '../deliver/step.ts';
import { expectedText, readingText } from '../deliver/value-text.ts';
import { SETTING_KINDS, type Setting } from '../deliver/settings/setting.ts';
import { formatWord } from '../quantity/bits.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { wordOf } from '../quantity/message.ts';
import { spaced } from '../standard/one-wire.ts';
import { say } from './say.ts';
import { sheet } from './sheet.ts';

/** @example saysReading(3.31, 'V') === '3.31 V' */
export const saysReading = (value: number | string | undefined, unit = ''): string => say(readingText(value, unit));

/** @example saysExpected({ min: 100, max: null, unit: 'Ω' }) === 'above 100 Ω' */
export const saysExpected = (expected: Pick<Expected, 'min' | 'max' | 'unit'> | string): string =>
  say(expectedText(expected));

/** What an entry is, in a few words: "found: the lead is out", "note", "5 V". */
export const saysEntry = ({ kind, title }: Pick<LogEntry, 'kind' | 'title'>): string =>
  kind === 'measured' || kind === title ? title : `${kind}: ${title}`;

/** What a program is told, in words: "address 0x44", "read every 1 min" without the thing that it is of. */
export function saysSetting({ id, of, value, unit, note }: Setting): { name: string; value: string; note: string } {
  const kind = SETTING_KINDS[id];
  const says =
    kind === 'flag'
      ? say(wordOf('flag', value === true ? 'yes' : 'no'))
      : kind === 'hex'
        ? formatWord(Number(value), Number(value) > 0xffff ? 32 : Number(value) > 0xff ? 16 : 8)
        : unit === undefined || typeof value !== 'number'
          ? String(value)
          : formatQuantity(value, unit, 4);
  const name = say(wordOf('setting', id));
  // People know buses by their names.
  if (id === 'on' && note !== undefined) return { name, value: say(note), note: String(value) };
  return { name: of === undefined ? name : `${of}, ${name}`, value: says, note: note === undefined ? '' : say(note) };
}

/** Where a part is put, and what is written on its lead. */
export const saysPut = ({ label, says, number }: PutDown): string =>
  [
    says ? sheet('putAt', { label, where: says }) : sheet('putBeside', { label }),
    ...(number === undefined ? [] : [sheet('labelLead', { number: spaced(number) })]),
  ]
    .map((text) => say(text))
    .join(' ');
