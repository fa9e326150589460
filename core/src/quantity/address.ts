/** Bus addresses as makers write them: 0x27, 39, 27h, or the 8-bit form that holds the read/write bit. */

export interface AddressReading {
  /** The seven-bit address, 0 to 127. */
  readonly address: number;
  /** The number as it was typed. */
  readonly typed: number;
  /** True when the text was above 0x7F and was halved: the question must be put to the maker. */
  readonly halved: boolean;
}

export class AddressError extends Error {
  override readonly name = 'AddressError';
}

/** @example formatAddress(60) === '0x3C' */
export const formatAddress = (address: number): string => `0x${address.toString(16).toUpperCase().padStart(2, '0')}`;

/**
 * Reads a bus address in hexadecimal (0x27, 27h) or decimal (39). A value from 0x80 to 0xFF is taken for the
 * 8-bit form and halved.
 * @throws AddressError when the text is no number from 0 to 255
 * @example parseAddress('0x88') is { address: 0x44, typed: 0x88, halved: true }
 */
export function parseAddress(text: string): AddressReading {
  const cleaned = text.trim();
  const hex = cleaned.match(/^(?:0x([0-9a-f]{1,2})|([0-9a-f]{1,2})h)$/i);
  const value = hex ? parseInt(hex[1] ?? hex[2] ?? '', 16) : /^\d{1,3}$/.test(cleaned) ? Number(cleaned) : NaN;
  if (!(value >= 0 && value <= 0xff)) {
    throw new AddressError(`“${text}” is no bus address; write 0x27 or 39, from 0x00 to 0x7F`);
  }
  return value > 0x7f
    ? { address: value >> 1, typed: value, halved: true }
    : { address: value, typed: value, halved: false };
}
