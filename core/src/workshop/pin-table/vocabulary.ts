/**
 * The ways in which sheets write what a pin can do. The first that fits takes its words, so that what is told apart by more words stands
 * before what has fewer. Common practice, without a source.
 */

import { functionOf } from '../../card/protocol.ts';

/** A function of a pin as a card names it; `sure` where the sheet leaves no other reading. */
export interface PinFunction {
  readonly id: string;
  readonly sure: boolean;
}

interface Wording {
  readonly words: RegExp;
  readonly read: (groups: readonly (string | undefined)[]) => readonly PinFunction[];
}

const sure = (id: string): PinFunction => ({ id, sure: true });
const likely = (id: string): PinFunction => ({ id, sure: false });
/** With a number for which of them it is; the first where none is given. */
const numbered = (peripheral: string, number: string | undefined, role: string): PinFunction =>
  number === undefined || number === ''
    ? likely(functionOf(peripheral, 0, role))
    : sure(functionOf(peripheral, number, role));

const SPI_ROLES: Readonly<Record<string, string>> = {
  sck: 'clk',
  sclk: 'clk',
  clk: 'clk',
  mosi: 'out',
  copi: 'out',
  sdo: 'out',
  tx: 'out',
  miso: 'in',
  cipo: 'in',
  sdi: 'in',
  rx: 'in',
};
const spiRole = (word: string | undefined): string => SPI_ROLES[(word ?? '').toLowerCase()] ?? 'select';
const i2cRole = (word: string | undefined): string => (word ?? '').toLowerCase();
const uartRole = (word: string | undefined): string => (/^t/i.test(word ?? '') ? 'tx' : 'rx');

const WORDINGS: readonly Wording[] = [
  // Two digits are two converters that share the pin: "ADC12_IN5".
  {
    words: /\bADC(\d)(\d)?[ _]?(?:CH|IN|_)\s?(\d{1,2})\b/i,
    read: ([one, two, channel]) =>
      [one, two].flatMap((unit) => (unit === undefined ? [] : [sure(functionOf('adc', unit ?? 0, channel ?? ''))])),
  },
  {
    words: /\bADC(\d)[ _]?channel\s?(\d{1,2})\b/i,
    read: ([unit, channel]) => [sure(functionOf('adc', unit ?? 0, channel ?? ''))],
  },
  { words: /\bADC[ _]?(?:CH|IN|_)\s?(\d{1,2})\b/i, read: ([channel]) => [likely(`adc0.${channel}`)] },
  { words: /\bADC(\d)\.(\d{1,2})\b/i, read: ([unit, channel]) => [sure(functionOf('adc', unit ?? 0, channel ?? ''))] },
  { words: /\b(?:ADC|AIN|AN)_?(\d{1,2})\b/i, read: ([channel]) => [likely(`adc0.${channel}`)] },
  { words: /\bTOUCH[ _]?\d*\b/i, read: () => [sure('touch')] },
  // A slice has two channels.
  {
    words: /\bPWM_?(\d{1,2})[ _]?([AB])\b/i,
    read: ([slice, half]) => [sure(`pwm${Number(slice) * 2 + (/b/i.test(half ?? '') ? 1 : 0)}`)],
  },
  {
    words: /\bPWM_?([AB])\[(\d{1,2})\]/i,
    read: ([half, slice]) => [sure(`pwm${Number(slice) * 2 + (/b/i.test(half ?? '') ? 1 : 0)}`)],
  },
  { words: /\bPWM_?(\d{1,2})\b/i, read: ([channel]) => [sure(`pwm${channel}`)] },
  { words: /\bPWM\b|~|\bTIM\d+_CH\d+N?\b/i, read: () => [sure('pwm')] },
  { words: /\bDAC(?:_?OUT)?[ _]?(?:channel )?(\d)\b/i, read: ([number]) => [sure(`dac${number}`)] },
  {
    words: /\b(?:I2C|IIC|TWI|WIRE)(\d)?[ _.]?(SDA|SCL)\b/i,
    read: ([number, line]) => [numbered('i2c', number, i2cRole(line))],
  },
  { words: /\b(SDA|SCL)_?(\d)?\b/i, read: ([line, number]) => [numbered('i2c', number, i2cRole(line))] },
  {
    words: /\bSPI(\d)?[ _.]?(SCLK|SCK|CLK|MOSI|MISO|COPI|CIPO|SDO|SDI|TX|RX|NSS|CSn?|SS|CE)\d?\b/i,
    read: ([number, line]) => [numbered('spi', number, spiRole(line))],
  },
  // A number behind a select may be that of the line or that of the bus.
  { words: /\b(NSS|CS|SS|CE)\d?\b/i, read: ([line]) => [numbered('spi', '', spiRole(line))] },
  {
    words: /\b(SCLK|SCK|MOSI|MISO|COPI|CIPO)_?(\d)?\b/i,
    read: ([line, number]) => [numbered('spi', number, spiRole(line))],
  },
  {
    words: /\b(?:USART|UART|SERIAL|U)(\d)?[ _.]?(TXD|RXD|TX|RX)\b/i,
    read: ([number, line]) => [numbered('uart', number, uartRole(line))],
  },
  { words: /\b(TXD|RXD|TX|RX)_?(\d)?\b/i, read: ([line, number]) => [numbered('uart', number, uartRole(line))] },
  { words: /\bEXTI\d*\b|\bINT\d*\b|\bIRQ\d*\b|\binterrupts?\b/i, read: () => [sure('irq')] },
];

/** Words that say nothing of what a maker can use here. */
const SILENT =
  /\bno special function\b|\b(?:digital|general|purpose|I\/O|GPIO\d*|GPI|IO|AIO?|analog(?:ue)?|inputs?|outputs?|only|power|ground|supply|and|or|can|be|used|for|pins?|are|is|the|raise|an?|every|all|any)\b|\b(?:USART\d*|UART\d*)_(?:CTS|RTS|CK)\b|\b(?:WKUP|WAKE)\d*\b|\bCAN\d*_?(?:TX|RX)\b|\bXTAL\w*|\bTAMPER\S*|\bJTAG\b|\bUSB_?D?[+-]?|[-–()|.,;:/]/gi;

/** What a text says that a pin can do, and the words in it that were not understood. */
export function functionsIn(text: string): { functions: PinFunction[]; unread: string } {
  // Lines of a field bus look like those of a serial port.
  let left = text.replace(/\bCAN\d*_?(?:TX|RX)\b/gi, ' ').replace(/\b(?:no|not|without)\s+[\w/]+/gi, ' ');
  const found = new Map<string, PinFunction>();
  for (const { words, read } of WORDINGS)
    for (let match = words.exec(left); match; match = words.exec(left)) {
      for (const one of read(match.slice(1))) if (!found.get(one.id)?.sure) found.set(one.id, one);
      left = `${left.slice(0, match.index)} ${left.slice(match.index + match[0].length)}`;
    }
  const unread = left.replace(SILENT, ' ').replace(/\s+/g, ' ').trim();
  return { functions: [...found.values()], unread };
}
