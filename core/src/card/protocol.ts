/**
 * What the terminals of a port ask of the controller, by protocol and line. A UART line is crossed: the part's
 * transmit line asks for a receiving pin.
 */
export const PROTOCOLS = [
  'i2c',
  'onewire',
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
export type Ask = 'in' | 'out' | 'inout' | 'adc' | 'pwm' | 'irq' | 'i2c.sda' | 'i2c.scl' | 'uart.tx' | 'uart.rx';

export const PORT_LINES: Readonly<Record<Protocol, Readonly<Record<string, Ask>>>> = {
  i2c: { sda: 'i2c.sda', scl: 'i2c.scl' },
  onewire: { data: 'inout' },
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
export const SHARED_PROTOCOLS = ['i2c', 'onewire'] as const;
export type SharedProtocol = (typeof SHARED_PROTOCOLS)[number];
export const isShared = (protocol: Protocol): protocol is SharedProtocol =>
  protocol === 'i2c' || protocol === 'onewire';

export const PROTOCOL_NAME: Readonly<Record<Protocol, string>> = {
  i2c: 'I²C',
  onewire: 'one-wire',
  uart: 'UART',
  'digital-out': 'digital out',
  'digital-in': 'digital in',
  clocked: 'clocked data',
  switch: 'switch',
  led: 'light',
  pwm: 'PWM',
  analog: 'analog',
  coil: 'coil',
};
