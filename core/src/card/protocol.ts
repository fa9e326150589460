/**
 * What the terminals of a port ask of the controller, by protocol and line. A UART line is crossed: the part's
 * transmit line asks for a receiving pin.
 */
export const PROTOCOLS = [
  'i2c',
  'onewire',
  'spi',
  'pulse',
  'uart',
  'digital-out',
  'digital-in',
  'clocked',
  'switch',
  'led',
  'pwm',
  'analog',
  'coil',
] as const;
export type Protocol = (typeof PROTOCOLS)[number];

/** A kind of pin function, without its instance. */
export type Ask =
  | 'in'
  | 'out'
  | 'inout'
  | 'adc'
  | 'pwm'
  | 'irq'
  | 'i2c.sda'
  | 'i2c.scl'
  | 'spi.clk'
  | 'spi.in'
  | 'spi.out'
  | 'uart.tx'
  | 'uart.rx';

/** A function of a pin as cards name it. @example functionOf('i2c', 0, 'sda') === 'i2c0.sda' */
export const functionOf = (peripheral: string, unit: string | number, role: string): string =>
  `${peripheral}${unit}.${role}`;

/** @example peripheralOf('i2c.sda') and of a pin's function 'i2c0.sda' what stands before the role: 'i2c', 'i2c0'; '' of nothing */
export const peripheralOf = (asked: string | undefined): string => asked?.split('.')[0] ?? '';
/** What the line does on its peripheral; undefined of a line that is on none. */
export const roleOf = (asked: string): string | undefined => asked.split('.')[1];

export const PORT_LINES: Readonly<Record<Protocol, Readonly<Record<string, Ask>>>> = {
  i2c: { sda: 'i2c.sda', scl: 'i2c.scl' },
  onewire: { data: 'inout' },
  // "in" and "out" are the part's: what it reads, the controller sends.
  spi: { clk: 'spi.clk', in: 'spi.out', out: 'spi.in', select: 'out' },
  // One wire that both sides pull low in turn: the controller asks, the part answers in pulses.
  pulse: { data: 'inout' },
  uart: { tx: 'uart.rx', rx: 'uart.tx' },
  'digital-out': { out: 'in', out2: 'in', out3: 'in' },
  'digital-in': { in: 'out' },
  clocked: { data: 'in', clock: 'out' },
  switch: { contact: 'in', a: 'in', b: 'in', push: 'in' },
  led: { anode: 'out' },
  pwm: { in: 'pwm' },
  analog: { out: 'adc' },
  coil: {},
};

/** Protocols whose lines several parts share. */
export const SHARED_PROTOCOLS = ['i2c', 'onewire', 'spi'] as const;
export type SharedProtocol = (typeof SHARED_PROTOCOLS)[number];
export const isShared = (protocol: Protocol): protocol is SharedProtocol =>
  protocol === 'i2c' || protocol === 'onewire' || protocol === 'spi';

/** Lines of a shared protocol that each part has for itself: SPI selects one part at a time. */
const OWN_LINES: ReadonlySet<string> = new Set(['spi.select']);
/** True for a line that all parts on a bus have in common. */
export const isBusLine = (protocol: Protocol, line: string): boolean =>
  isShared(protocol) && !OWN_LINES.has(`${protocol}.${line}`);
/** Protocols on which both sides pull one line low in turn. */
export const isTwoWay = (protocol: Protocol): boolean =>
  protocol === 'i2c' || protocol === 'onewire' || protocol === 'pulse';
