/** Lists of one-wire numbers as programs print them. */
import { crc8 } from '../standard/crc8.ts';

export interface OneWireNumber {
  /** Line of the text, from 1. */
  readonly line: number;
  /** As it was written. */
  readonly text: string;
  /** First byte: the kind of part. */
  readonly family: number;
  /** Whether the last byte is the check of the others; null where the form carries none. */
  readonly checked: boolean | null;
  /** Lower case hexadecimal, family first, without the check. */
  readonly serial: string;
}

/** Eight bytes with or without 0x, apart or in one piece; or the family, a hyphen, and six bytes without a check. */
const BYTES = /(?:(?:0x)?[0-9a-f]{1,2}[\s,:;-]+){7}(?:0x)?[0-9a-f]{1,2}(?![0-9a-f])/gi;
const PIECE = /(?<![0-9a-f])(?:0x)?([0-9a-f]{16})(?![0-9a-f])/gi;
const SHORT = /(?<![0-9a-f])([0-9a-f]{2})-([0-9a-f]{12})(?![0-9a-f])/gi;

function numbered(line: number, text: string, bytes: readonly number[]): OneWireNumber {
  const hex = bytes.slice(0, 7).map((b) => b.toString(16).padStart(2, '0'));
  return { line, text, family: bytes[0] ?? 0, checked: crc8(bytes.slice(0, 7)) === bytes[7], serial: hex.join('') };
}

/** @returns every number that the text holds, in its order; the same one read twice is listed twice */
export function readOneWireList(text: string): OneWireNumber[] {
  return text.split(/\r?\n/).flatMap((row, i): OneWireNumber[] => {
    const line = i + 1;
    const apart = [...row.matchAll(BYTES)].map(([found]) =>
      numbered(
        line,
        found.trim(),
        (found.match(/[0-9a-f]{1,2}(?![0-9a-fx])/gi) ?? []).map((b) => parseInt(b, 16)),
      ),
    );
    if (apart.length > 0) return apart;
    const pieces = [...row.matchAll(PIECE)].map(([found, digits = '']) =>
      numbered(
        line,
        found,
        (digits.match(/../g) ?? []).map((b) => parseInt(b, 16)),
      ),
    );
    const short = [...row.matchAll(SHORT)].map(([found, family = '', rest = '']): OneWireNumber => {
      // This form writes the six bytes the other way round.
      const serial = (rest.match(/../g) ?? []).reverse().join('');
      return {
        line,
        text: found,
        family: parseInt(family, 16),
        checked: null,
        serial: `${family}${serial}`.toLowerCase(),
      };
    });
    return [...pieces, ...short];
  });
}
