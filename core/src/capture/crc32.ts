/**
 * CRC-32 as it stands in many formats: polynomial 0x04C11DB7 reflected, begun and ended with ones.
 * Published check value for the ASCII text "123456789": 0xCBF43926 (catalogue of parametrised CRC algorithms; quoted from memory).
 * @param text ASCII
 * @param before what came of the text before this one, to go on from it
 */
export function crc32(text: string, before = 0): number {
  let crc = ~before;
  for (let i = 0; i < text.length; i++) {
    crc ^= text.charCodeAt(i) & 0xff;
    for (let bit = 0; bit < 8; bit++) crc = crc & 1 ? (crc >>> 1) ^ 0xedb88320 : crc >>> 1;
  }
  return ~crc >>> 0;
}

export const hex32 = (crc: number): string => crc.toString(16).padStart(8, '0');
