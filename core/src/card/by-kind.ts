/** What a card says because of its kind: a driver what it switches, a board its rows. */
import { z } from 'zod';
import { Id, figure, text } from './figure.ts';
import { LEAD_ENDS } from './kinds.ts';
import { Thermal } from './power.ts';

const Volts = figure('V');
const Amps = figure('A');
const Ohms = figure('Ω');

/** A low-side driver: the switched terminal and what it stands. */
export const Driver = z.strictObject({
  terminal: Id,
  voltage: Volts,
  current: Amps,
  diodeFitted: z.boolean(),
  switchOff: figure('s'),
  /** For a bare bipolar transistor: what its base and its collector drop, and how far it amplifies. */
  bipolar: z.strictObject({ base: Volts, saturation: Volts, gain: figure('1') }).optional(),
  /** For a field-effect transistor: what it adds when it is on, and the gate voltage at which it does. */
  onResistance: Ohms.optional(),
  gate: Volts.optional(),
  thermal: Thermal.optional(),
});

/** What a diode carries for good, what it blocks, and what it takes at that current. */
export const Diode = z.strictObject({ current: Amps, reverse: Volts, drop: Volts.optional() });

/** Pairs of signals, low side and high side. */
export const Translator = z.strictObject({
  style: z.enum(['open-drain', 'push-pull']),
  lowSupply: Id,
  highSupply: Id,
  channels: z
    .array(z.strictObject({ low: Id, high: Id }))
    .min(1)
    .max(16),
  clock: figure('Hz'),
  /** For one with a direction: the terminal that sets it, and what it is tied to from the low side to the high one. */
  direction: z.strictObject({ terminal: Id, toHigh: z.enum(['ground', 'supply']), source: Id }).optional(),
  /** The port whose line connects and parts the two sides. */
  enable: Id.optional(),
  /** For an open-drain one: the transistor between the sides. */
  pass: z.strictObject({ threshold: Volts, onResistance: Ohms }).optional(),
});

/** A breadboard: its rows, its pairs of long strips, and whether the strips end in the middle. */
export const Board = z.strictObject({
  rows: z.int().min(5).max(200),
  pairs: z.union([z.literal(0), z.literal(1), z.literal(2)]),
  split: z.boolean(),
  source: Id,
});

/** The value of a capacitor (F), and whether one leg has to be on plus. */
export const Capacitor = z.strictObject({ farads: z.number().min(1e-13).max(10), polar: z.boolean(), source: Id });

/** What is on the two ends of leads, how long they are (m), and the colours that a pack has as many each of. */
export const Lead = z.strictObject({
  ends: z.tuple([z.enum(LEAD_ENDS), z.enum(LEAD_ENDS)]),
  length: z.number().min(1e-3).max(100),
  colours: z.array(text(24)).min(1).max(24).optional(),
});

const none = z.never().optional();
/** On cards of other kinds it is not there. */
export const NONE = {
  controller: none,
  carrier: none,
  driver: none,
  diode: none,
  translator: none,
  board: none,
  capacitor: none,
  lead: none,
  cable: none,
};
