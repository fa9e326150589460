/**
 * How far a serial rate made by a whole divisor is from what is wanted, as a share.
 * @param clock Hz @param samples of a bit @param rate bits a second
 * @example rateError(16e6, 16, 115200) is −0.0355 with the divisor 9: 16 MHz ÷ 16 ÷ 9 is 111 111
 */
export function rateError(clock: number, samples: number, rate: number): number {
  const divisor = Math.max(1, Math.round(clock / samples / rate));
  return clock / samples / divisor / rate - 1;
}
