/** One-wire figures, common to the class of digital thermometers on this bus (quoted from memory). */

import { crc8 } from './crc8.ts';

/** What a part on the line must be able to sink at 0.4 V, A. */
export const ONE_WIRE_SINK = 4e-3;
export const ONE_WIRE_LOW = 0.4;

/**
 * Timing of a read slot as a master in software makes it: it pulls low for so long, lets go, and samples so much later.
 * Source: the manufacturers' application note on 1-wire timing in software (from memory): 6 µs low, sampled 9 µs after.
 */
export const SLOT_SAMPLE = 9e-6;
/** A whole slot with its recovery, and a reset with the presence pulse, s. Same source. */
export const SLOT_TIME = 70e-6;
export const RESET_TIME = 960e-6;
/** Bits moved to read one part: match ROM 8 + 64, read scratchpad 8 + 72. */
export const READING_BITS = 152;
/** Bits to start a conversion on all parts at once: skip ROM 8, convert 8. */
export const CONVERT_BITS = 16;

/** Commands of the class (from its data sheets, quoted from memory). */
export const ONE_WIRE = { search: 0xf0, match: 0x55, skip: 0xcc, convert: 0x44, read: 0xbe } as const;
/** °C of one step of the number that they read at twelve bits, and the number that stands there before the first conversion, °C. */
export const TEMPERATURE_STEP = 1 / 16;
export const TEMPERATURE_AT_START = 85;

/** Bits that the digital thermometers on this bus have as they come. */
export const MAX_BITS = 12;

/**
 * Conversion time of the digital thermometers on this bus by resolution, s: halved for each bit less.
 * Source: the data sheets of the class (from memory): 93.75 / 187.5 / 375 / 750 ms at 9 / 10 / 11 / 12 bits.
 * @throws RangeError outside 9 to 12 bits
 */
export function oneWireConversion(bits: number): number {
  if (!Number.isInteger(bits) || bits < 9 || bits > 12) throw new RangeError(`${bits} bits: expected 9 to 12`);
  return 0.75 / 2 ** (12 - bits);
}

/**
 * Time from the release until the line is back above a level: t = R × C × ln((V − Vlow) ÷ (V − Vhigh)).
 * @returns s; Infinity when the level is not below the supply
 */
export const recovery = (ohms: number, farads: number, supply: number, low: number, level: number): number =>
  level >= supply ? Infinity : ohms * farads * Math.log((supply - low) / (supply - level));

/** Bytes that are written as two hexadecimal digits each, in the order in which they come over the line: a number has eight. */
export const bytesOfNumber = (number: string): number[] => (number.match(/../g) ?? []).map((two) => parseInt(two, 16));

/** Kind of part, six bytes that no other part has, and a check over them (data sheets of the class, quoted from memory). */
export const isWireNumber = (number: string): boolean =>
  /^[0-9a-f]{16}$/.test(number) && number !== '0'.repeat(16) && crc8(bytesOfNumber(number)) === 0;

/** As labels have it. @example spaced('28ff641e0c33055a') === '28 FF 64 1E 0C 33 05 5A' */
export const spaced = (number: string): string => number.toUpperCase().replace(/../g, '$& ').trim();
