/** What pins can do, in words. */

const WORD: readonly (readonly [RegExp, string])[] = [
  [/^in$/, 'in'],
  [/^out$/, 'out'],
  [/^irq$/, 'interrupt'],
  [/^touch$/, 'touch'],
  [/^pwm\d*$/, 'PWM'],
  [/^adc.*$/, 'analog'],
  [/^dac.*$/, 'analog out'],
  [/^i2c(\d)\.sda$/, 'I²C $1 data'],
  [/^i2c(\d)\.scl$/, 'I²C $1 clock'],
  [/^uart(\d)\.tx$/, 'UART $1 transmit'],
  [/^uart(\d)\.rx$/, 'UART $1 receive'],
  [/^spi(\d)\.clk$/, 'SPI $1 clock'],
  [/^spi(\d)\.in$/, 'SPI $1 in'],
  [/^spi(\d)\.out$/, 'SPI $1 out'],
  [/^spi(\d)\.select$/, 'SPI $1 select'],
];

/** @example capabilityWords(['in', 'out', 'adc1.6']) is ['in', 'out', 'analog'] */
export const capabilityWords = (functions: readonly string[]): string[] => [
  ...new Set(
    functions.map((name) => {
      const found = WORD.find(([pattern]) => pattern.test(name));
      return found ? name.replace(found[0], found[1]) : name;
    }),
  ),
];

/** The few that tell pins apart at a glance. */
export function shortWords(functions: readonly string[]): string {
  const has = (beginning: string) => functions.some((f) => f.startsWith(beginning));
  const both = functions.includes('in') && functions.includes('out');
  return [
    both ? 'in/out' : functions.includes('in') ? 'in only' : 'out only',
    has('adc') ? 'analog' : '',
    has('pwm') ? 'PWM' : '',
    has('i2c') ? 'I²C' : '',
    has('uart') ? 'UART' : '',
    has('spi') ? 'SPI' : '',
  ]
    .filter(Boolean)
    .join(' · ');
}
