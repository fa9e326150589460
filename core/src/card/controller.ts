/** What a controller's pins can do, and what they share. */
import { z } from 'zod';
import { form } from './problem.ts';
import { electrical } from './electrical.ts';
import { Id, figure, text } from './figure.ts';
import { UsbSocket } from './power.ts';
import { PROTOCOLS } from './protocol.ts';

const Volts = figure('V');
const Amps = figure('A');
const Ohms = figure('Ω');

const FUNCTION =
  /^(in|out|irq|touch|pwm\d{0,2}|adc\d\.\d{1,2}|dac\d|i2c\d\.(sda|scl)|uart\d\.(tx|rx)|spi\d\.(clk|in|out|select))$/;
const PinFunction = z.string().regex(FUNCTION, form('pinFunction'));

export const Pin = z.strictObject({
  terminal: Id,
  functions: z.array(PinFunction).max(24),
  /** The level that this pin must have while the controller starts. */
  strap: z.strictObject({ level: z.enum(['low', 'high']), meaning: text(160), source: Id }).optional(),
  reserved: z.strictObject({ by: z.enum(['flash', 'usb', 'console']), meaning: text(160), source: Id }).optional(),
  /** From power-on until the program sets it. Where nothing is said the pin is an input that nothing pulls. */
  boot: z
    .strictObject({
      drives: z.enum(['nothing', 'low', 'high', 'pulses']),
      /** The pin's own pull while it drives nothing. */
      pull: z.enum(['up', 'down']).optional(),
      source: Id,
    })
    .optional(),
  /** A resistor on the board that pulls this pin up, to a rail or supply of the board. */
  fittedPullUp: z.strictObject({ value: Ohms, to: Id, removable: z.enum(['jumper', 'solder', 'no']) }).optional(),
  /** Set where the pin has no pull of its own to switch on. */
  noPull: z.strictObject({ source: Id }).optional(),
});
export type Pin = z.infer<typeof Pin>;

/** What stands behind an analog input. */
const converterFigures = {
  bits: z.int().min(6).max(24),
  /** Its full scale, V. */
  reference: Volts,
  /** What it is off by besides its steps, as a share of full scale. */
  error: figure('share'),
  /** The voltages between which it converts straight, where its ends are dead. */
  straight: Volts.optional(),
  /** The most that a source may have in series, so that a sample settles. */
  sourceResistance: Ohms.optional(),
};

/** A part that reads voltages for the controller, and takes none above its own supply. */
export const ConverterPart = z.strictObject({
  ...converterFigures,
  /** The supply that its inputs may reach. */
  supply: Id,
  /** Signals that voltages are read on. */
  inputs: z.array(Id).min(1).max(32),
});
export type ConverterPart = z.infer<typeof ConverterPart>;

export const Controller = z.strictObject({
  pins: z.array(Pin).min(1).max(200),
  /** Functions that the chip can route to any pin that is both in and out. */
  matrix: z.array(PinFunction).max(40).optional(),
  io: z.strictObject({ ...electrical, weakPull: Ohms.optional() }),
  pinCurrent: z.strictObject({ recommended: Amps, absolute: Amps }),
  /** The converter behind the pins that have adc functions. */
  adc: z
    .strictObject({
      ...converterFigures,
      /** The supply or rail that is its full scale; missing where it has a reference of its own. */
      follows: Id.optional(),
    })
    .optional(),
  /** Below this on its logic supply it starts anew. */
  brownOut: Volts.optional(),
  /** How long before the edge of the SPI clock its input has to be right. */
  spiSetup: figure('s').optional(),
  /** From being woken to the first instruction. */
  wakeTime: figure('s').optional(),
  /** The pins that wake it from its sleep. */
  wake: z.strictObject({ pins: z.array(Id).max(200), source: Id }).optional(),
  /** What its serial ports divide their rate from: a clock, and samples a bit. */
  serial: z.strictObject({ clock: figure('Hz'), samples: z.int().min(1).max(64) }).optional(),
  /** Whether its I²C waits for a target that stretches the clock; nothing said counts as yes. */
  waitsForStretching: z.strictObject({ waits: z.boolean(), source: Id }).optional(),
  /** What the chip does besides, and which of its units it takes for it: a radio that needs a converter. */
  features: z
    .array(
      z.strictObject({
        id: Id,
        name: text(40),
        takes: z
          .array(z.string().regex(/^(adc|i2c|uart|spi)\d$/, form('unit')))
          .min(1)
          .max(8),
        meaning: text(160),
        source: Id,
      }),
    )
    .max(8)
    .optional(),
  /** PWM channels that run from one counter, so that they share its frequency. */
  pwmGroups: z
    .array(
      z.strictObject({
        id: Id,
        name: text(40),
        channels: z
          .array(z.string().regex(/^pwm\d{1,2}$/, form('pwmChannel')))
          .min(1)
          .max(16),
        /** Set where the system needs the counter at this frequency. */
        fixed: figure('Hz').optional(),
        source: Id,
      }),
    )
    .max(16)
    .optional(),
  /** The socket for the programmer's cable, which is a second source while it is plugged in. */
  usb: UsbSocket.optional(),
  /** Limits that several pins keep together, A; `pins` missing means all of them. */
  currentGroups: z
    .array(
      z.strictObject({
        id: Id,
        name: text(40),
        pins: z.array(Id).min(1).max(200).optional(),
        limit: Amps,
      }),
    )
    .max(16)
    .optional(),
  /** Drivers of a system that are bound to a pin by a setting. */
  overlays: z
    .array(z.strictObject({ protocol: z.enum(PROTOCOLS), pin: Id, parameter: text(40), source: Id }))
    .max(16)
    .optional(),
});

export type Controller = z.infer<typeof Controller>;
export type Feature = NonNullable<Controller['features']>[number];
export type PwmGroup = NonNullable<Controller['pwmGroups']>[number];
