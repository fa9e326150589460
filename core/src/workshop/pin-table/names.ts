/** Names of pins as sheets write them, alone, in lists and in ranges. */

/** A port may have a number of its own: "P0.02". What is named like a peripheral is none. */
const NAME =
  '(?!(?:ADC|DAC|UART|USART|SPI|I2C|TIM|PWM|INT|EXTI|TOUCH|AIN|SERIAL)_?\\d)[A-Za-z]{1,5}_?(?:\\d\\.)?\\d{1,3}(?!\\w|\\.\\d)';
const RANGE = new RegExp(`^(${NAME})(?:\\s*(?:-|–|—|\\.{2,3}|…)\\s*|\\s+to\\s+)(${NAME}|\\d{1,3})`, 'i');
const ONE = new RegExp(`^(${NAME})`);

/** What carries power or starts the board, and is no pin of a program. */
const POWER =
  /^(?:V(?:IN|CC|DD|BUS|BAT|SYS|REF|OUT|S)?|3V3?|5V|12V|\+?\d+(?:\.\d+)?\s?V\d?|GND|VSS|AGND|DGND|G|EN|RST|RESET|NRST|RUN|AREF|IOREF|NC|BOOT)$/i;
export const isPower = (name: string): boolean => POWER.test(name.split(/\s/)[0] ?? '');
export const isPinName = (text: string): boolean => new RegExp(`^${NAME}$`).test(text) && !isPower(text);

const letters = (name: string): string => name.replace(/\d+$/, '');
const digits = (name: string): number => Number(/\d+$/.exec(name)?.[0] ?? NaN);

/** @returns null where the two are no ends of a row of pins: "D6 - GPIO12" */
function between(from: string, to: string): string[] | null {
  const [first, last] = [digits(from), digits(to)];
  const alike = letters(to) === '' || letters(to) === letters(from);
  if (!alike || !(last > first) || last - first > 64) return null;
  return Array.from({ length: last - first + 1 }, (_, i) => `${letters(from)}${first + i}`);
}

/**
 * The names with which a line begins.
 * @returns null for a line that begins with none
 * @example namesAhead('GPIO0-GPIO2, GPIO7: PWM') is { names: ['GPIO0', 'GPIO1', 'GPIO2', 'GPIO7'], rest: 'PWM' }
 */
export function namesAhead(line: string): { names: string[]; rest: string } | null {
  let left = line.replace(/^\s*(?:pins?|gpios?)\s+(?=[A-Za-z]+_?\d)/i, '').trim();
  const names: string[] = [];
  for (;;) {
    const range = RANGE.exec(left);
    const all = range && between(range[1] ?? '', range[2] ?? '');
    const one = ONE.exec(left);
    if (!one) break;
    names.push(...(all ?? [one[1] ?? '']));
    left = left.slice((all ? range : one)[0].length);
    const more = new RegExp(`^\\s*(?:,|and|&)\\s*(?=${NAME})`, 'i').exec(left);
    if (!more) break;
    left = left.slice(more[0].length);
  }
  const [first = ''] = names;
  return first === '' || isPower(first)
    ? null
    : { names, rest: left.replace(/^\s*(?:->|→|[:=–—-]|are\b|is\b|\/)\s*/i, '').trim() };
}
