/**
 * CRC-8 as one-wire parts use it: polynomial x⁸ + x⁵ + x⁴ + 1, least significant bit first, beginning with 0.
 * Published check value for the ASCII text "123456789": 0xA1 (catalogue of parametrised CRC algorithms; quoted from memory).
 * @returns 0 over a whole number with its own check at the end
 */
export function crc8(bytes: Iterable<number>): number {
  let crc = 0;
  for (const byte of bytes) {
    crc ^= byte;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >> 1) ^ 0x8c : crc >> 1;
  }
  return crc;
}
