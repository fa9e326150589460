/** Bus addresses as makers write them: 0x26, 38, 26h, or the 8-bit form that holds the read/write bit. */
import { tells } from './message.ts';
import { ReadError } from './read-error.ts';

export interface AddressReading {
  /** The seven-bit address, 0 to 127. */
  readonly address: number;
  /** The number as it was typed. */
  readonly typed: number;
  /** True when the text was above 0x7F and was halved: the question must be put to the maker. */
  readonly halved: boolean;
}

/** What is said of a text that is no address. */
export interface AddressSays {
  readonly noAddress: { text: string };
}

export class AddressError extends ReadError {
  override readonly name = 'AddressError';
}

/** @example formatAddress(60) === '0x3C' */
export const formatAddress = (address: number): string => `0x${address.toString(16).toUpperCase().padStart(2, '0')}`;

/**
 * Reads a bus address in hexadecimal (0x26, 26h) or decimal (38). A value from 0x80 to 0xFF is taken for the
 * 8-bit form and halved.
 * @throws AddressError when the text is no number from 0 to 255
 * @example parseAddress('0x88') is { address: 0x44, typed: 0x88, halved: true }
 */
export function parseAddress(text: string): AddressReading {
  const cleaned = text.trim();
  const hex = cleaned.match(/^(?:0x([0-9a-f]{1,2})|([0-9a-f]{1,2})h)$/i);
  const value = hex ? parseInt(hex[1] ?? hex[2] ?? '', 16) : /^\d{1,3}$/.test(cleaned) ? Number(cleaned) : NaN;
  if (!(value >= 0 && value <= 0xff)) {
    throw new AddressError(tells<AddressSays>('quantity/address')('noAddress', { text }));
  }
  return value > 0x7f
    ? { address: value >> 1, typed: value, halved: true }
    : { address: value, typed: value, halved: false };
}

/**
 * The 7-bit address that a number may be the 8-bit form of, which holds the read/write bit.
 * @param known addresses that the part can have; empty where its card does not say
 * @returns null where it is itself one of them, or its half is none
 * @example eightBitOf(0x4C, [0x26]) === 0x26
 */
export function eightBitOf(address: number, known: readonly number[]): number | null {
  const half = address >> 1;
  if (known.includes(address)) return null;
  return known.length > 0 ? (known.includes(half) ? half : null) : half >= 0x08 && half <= 0x77 ? half : null;
}
