/** Numbers as datasheets write them. */
import type { Message } from '../../quantity/message.ts';
import { doubtThat } from './doubt.ts';

/** How a document writes its decimals; null where it does not show. */
export type DecimalMark = '.' | ',' | null;

/** What the numbers of a document give away: "3,3" with one or two digits behind is a decimal comma. */
export function decimalMark(text: string): DecimalMark {
  const commas = (text.match(/\b\d+,\d{1,2}\b(?![,\d])/g) ?? []).length + (text.match(/\b0,\d+\b/g) ?? []).length;
  const points = (text.match(/\b\d+\.\d{1,2}\b(?![.\d])/g) ?? []).length;
  if (commas === 0 && points === 0) return null;
  // Lists such as "pins 2,3" hold commas too, so points win where both are common.
  return commas > 2 * points ? ',' : '.';
}

export interface NumberReading {
  readonly value: number;
  /** Why it may be read wrongly. */
  readonly doubt?: Message;
}

/** What a number looks like. */
export const NUMBER = String.raw`[+-]?(?:\d{1,3}(?:[ \u2009\u202f]\d{3})+(?![\d])|\d+(?:[.,]\d+)*|[.,]\d+)(?:\s?[x×]\s?10\^?-?\d+|e[+-]?\d+)?`;

/** @example readNumber('1,5', ',') is { value: 1.5 } */
export function readNumber(written: string, mark: DecimalMark): NumberReading | null {
  let text = written.trim().replace(/[ \u2009\u202f](?=\d{3})/g, '');
  // A plain blank before three digits parts thousands, or two cells: "20 105".
  const isParted = /\d (?=\d{3})/.test(written.trim());
  let exponent = 0;
  const power = /(?:\s?[x×]\s?10\^?(-?\d+)|e([+-]?\d+))$/.exec(text);
  if (power) {
    exponent = Number(power[1] ?? power[2]);
    text = text.slice(0, power.index);
  }
  let doubt: Message | undefined = isParted ? doubtThat('blank') : undefined;
  if (/^[+-]?\d{1,3}(,\d{3}){2,}(\.\d+)?$/.test(text)) text = text.replaceAll(',', '');
  else if (/^[+-]?\d{1,3}(\.\d{3}){2,}(,\d+)?$/.test(text)) text = text.replaceAll('.', '').replace(',', '.');
  else if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(text)) {
    // Thousands or three decimals: the rest of the document tells, and not always.
    if (mark === ',') doubt = doubtThat('comma');
    text = mark === ',' ? text.replace(',', '.') : text.replace(',', '');
    if (mark === null) doubt = doubtThat('comma');
  } else text = text.replace(',', '.');
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(text)) return null;
  return { value: Number(`${text}e${exponent}`), ...(doubt ? { doubt } : {}) };
}

/** True for a cell that says nothing: a dash, n/a, or empty. */
export const isBlank = (text: string): boolean => /^(?:|[-–—.…]+|n\.?\/?a\.?|tbd|none)$/i.test(text.trim());
