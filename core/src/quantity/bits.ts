/** Words of bits, as registers hold them: put together from fields, and taken apart again. */

export interface BitField {
  /** Highest and lowest bit. */
  readonly high: number;
  readonly low: number;
}

const width = ({ high, low }: BitField): number => high - low + 1;

/** The most that a field holds. @example three bits hold 7 */
export const maximumOf = (field: BitField): number => 2 ** width(field) - 1;

/** What a field of a word holds. @example fieldOf(0x4200, { high: 14, low: 14 }) === 1 */
export const fieldOf = (word: number, field: BitField): number => Math.floor(word / 2 ** field.low) % 2 ** width(field);

/**
 * The word with a field set.
 * @throws RangeError when the value does not fit into the field
 */
export function withField(word: number, field: BitField, value: number): number {
  if (!Number.isInteger(value) || value < 0 || value > maximumOf(field)) {
    throw new RangeError(`${value} does not fit into bits ${field.high} to ${field.low}: 0 to ${maximumOf(field)}`);
  }
  return word + (value - fieldOf(word, field)) * 2 ** field.low;
}

/** @example formatWord(0x4200, 16) === '0x4200' */
export const formatWord = (word: number, bits: number): string =>
  `0x${word
    .toString(16)
    .toUpperCase()
    .padStart(bits / 4, '0')}`;

/** Bits in fours. @example formatBits(0x4200, 16) === '0100 0010 0000 0000' */
export const formatBits = (word: number, bits: number): string =>
  word
    .toString(2)
    .padStart(bits, '0')
    .replace(/(.{4})(?=.)/g, '$1 ');

/** The bytes of a word, the highest first, as they go over the bus. */
export const bytesOf = (word: number, bits: number): number[] =>
  Array.from({ length: bits / 8 }, (_, i) => fieldOf(word, { high: bits - 1 - 8 * i, low: bits - 8 - 8 * i }));

/**
 * Reads a word as 0x4200, 16896, or 0b0100001000000000 with spaces.
 * @returns null when it is none, or has more bits than it may
 */
export function parseWord(text: string, bits: number): number | null {
  const cleaned = text.replace(/[\s_]/g, '');
  const value = /^0b[01]+$/i.test(cleaned)
    ? parseInt(cleaned.slice(2), 2)
    : /^0x[0-9a-f]+$/i.test(cleaned)
      ? parseInt(cleaned.slice(2), 16)
      : /^\d+$/.test(cleaned)
        ? Number(cleaned)
        : NaN;
  return Number.isSafeInteger(value) && value < 2 ** bits ? value : null;
}
