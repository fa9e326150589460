import { z } from 'zod';
import { Body } from './body.ts';
import { Carrier } from './carrier.ts';
import { Controller, ConverterPart } from './controller.ts';
import { electrical } from './electrical.ts';
import { Id, Source, figure, text } from './figure.ts';
import { CARD_KINDS, HAZARDS, LEAD_ENDS, SERVICES, SIGNAL_KINDS } from './kinds.ts';
import { Measure } from './measure.ts';
import { Cable, Contact, Outlet, RailOffer, States, Thermal } from './power.ts';
import { PROTOCOLS } from './protocol.ts';
import { CARD_FORMAT, CARD_VERSION } from './version.ts';

const Volts = figure('V');
const Amps = figure('A');
const Ohms = figure('Ω');
const Seconds = figure('s');
/** Fields of a register: the composer of configuration words, and what the bring-up looks for. */
export const RegisterWord = z.strictObject({
  id: Id,
  name: text(60),
  register: z.int().nonnegative().max(0xffff),
  bits: z.union([z.literal(8), z.literal(16), z.literal(32)]),
  fields: z
    .array(
      z.strictObject({
        name: text(40),
        /** Highest and lowest bit. */
        high: z.int().min(0).max(31),
        low: z.int().min(0).max(31),
        choices: z
          .array(z.strictObject({ value: z.int().nonnegative().max(0xffffffff), says: text(80) }))
          .max(64)
          .optional(),
      }),
    )
    .max(32),
  source: Id,
});
export type RegisterWord = z.infer<typeof RegisterWord>;

export const Terminal = z.strictObject({
  id: Id,
  /** As printed on the part. */
  label: text(24),
  names: z.array(text(24)).max(8).optional(),
  role: z.enum(['supply', 'ground', 'signal', 'contact', 'unused']),
  header: Id,
  /** Where it rests while nothing is on it; nowhere: it has to be tied to ground or to a supply. */
  open: z.strictObject({ rests: z.enum(['low', 'high', 'nowhere']), source: Id }).optional(),
  /** Place in the header, from 1. */
  position: z.int().min(1).max(200),
  /** Set where the part ends in a wire of its own. */
  lead: z.strictObject({ colour: text(24), length: z.number().positive().max(1000) }).optional(),
  source: Id.optional(),
});
export type Terminal = z.infer<typeof Terminal>;

const Header = z.strictObject({
  id: Id,
  kind: z.enum(['male', 'female', 'pads', 'screw', 'leads', 'socket', 'plug']),
  rows: z.int().min(1).max(4),
  pitch: z.number().positive().max(0.05),
  /** How far this header stands from the first one, across the part, m. */
  across: z.number().nonnegative().max(0.2).optional(),
});

export const Supply = z.strictObject({
  id: Id,
  terminal: Id,
  range: Volts,
  absoluteMax: Volts.optional(),
  current: States,
  /** Between this supply and ground on the part. */
  capacitance: figure('F').optional(),
});
export type Supply = z.infer<typeof Supply>;
export type { RailOffer } from './power.ts';

export const Signal = z.strictObject({
  id: Id,
  terminal: Id,
  kind: z.enum(SIGNAL_KINDS),
  ...electrical,
  reference: Id.optional(),
  fittedPullUp: z.strictObject({ value: Ohms, to: Id, removable: z.enum(['jumper', 'solder', 'no']) }).optional(),
  /** A resistor to ground on the part. */
  fittedPullDown: Ohms.optional(),
});
export type Signal = z.infer<typeof Signal>;

export const Port = z.strictObject({
  id: Id,
  protocol: z.enum(PROTOCOLS),
  /** Line of the protocol -> signal of this card. */
  lines: z.record(z.string().max(16), Id),
  addresses: z
    .array(z.strictObject({ value: z.int().min(0).max(127), setting: text(60), source: Id.optional() }))
    .min(1)
    .max(128)
    .optional(),
  clock: figure('Hz').optional(),
  /** For a target that holds the clock low while it is busy. */
  stretches: z
    .strictObject({
      longest: Seconds,
      /** True when it also has commands that do not hold the clock. */
      noHold: z.boolean(),
    })
    .optional(),
  /** What one reading moves over the bus, addresses included. */
  reading: z.strictObject({ bytes: z.int().positive().max(4096), source: Id }).optional(),
  /** For a part that can live on its data line alone: what it draws while it converts, and the least it works at. */
  parasite: z.strictObject({ current: Amps, least: Volts }).optional(),
  /** Set where the breakout carries a translator of its own for this port. */
  ownTranslator: z.strictObject({ source: Id }).optional(),
  /** Configuration words that a maker puts together. */
  words: z.array(RegisterWord).max(16).optional(),
  /** For what a pin switches on: the level that does it. */
  active: z.strictObject({ level: z.enum(['low', 'high']), source: Id }).optional(),
  /** Lines on which every edge counts, so that the pin must be able to interrupt. */
  interrupts: z.strictObject({ lines: z.array(z.string().max(16)).min(1).max(8), source: Id }).optional(),
  /** For a serial port: its rate, and how far off that it may be. */
  rate: figure('Hz').optional(),
  /** Others that it can be told to keep, fastest first. */
  rates: z.array(z.number().positive()).min(1).max(16).optional(),
  rateError: figure('share').optional(),
  /** For SPI: how long after the edge of the clock its output is right, and in which of the four modes it is spoken to. */
  valid: Seconds.optional(),
  spiMode: z.int().min(0).max(3).optional(),
  /** For SPI: set where it goes on driving its output while it is not selected. */
  keepsDriving: z.strictObject({ source: Id }).optional(),
  /** For a chain of lights on one data line: what its maker asks for in that line, Ω, and across its supply. */
  chain: z.strictObject({ lights: z.int().positive(), source: Id }).optional(),
  /** For a PWM load: the frequencies that it takes. */
  frequency: figure('Hz').optional(),
  /** For a light: forward voltage and the most that it stands. */
  forward: z.strictObject({ voltage: Volts, current: Amps }).optional(),
  /** For a coil: what it resists a change of current with. */
  inductance: figure('H').optional(),
  /** Words that the part answers with, to tell it from others at the same address. */
  identity: z
    .array(
      z.strictObject({
        register: z.int().nonnegative().max(0xffff),
        bits: z.union([z.literal(8), z.literal(16), z.literal(32)]),
        value: z.int().nonnegative().max(0xffffffff),
        says: text(160).optional(),
        source: Id,
      }),
    )
    .max(8)
    .optional(),
});
export type Port = z.infer<typeof Port>;

export type { Controller, Pin } from './controller.ts';

export const Offer = z.strictObject({
  supplier: text(60),
  price: z.number().nonnegative(),
  currency: z.string().regex(/^[A-Z]{3}$/, 'a currency code of three capitals'),
  pack: z.int().positive(),
  shipping: z.number().nonnegative(),
  /** Goods of one order from this supplier from which on its shipping is free. */
  freeFrom: z.number().positive().optional(),
  leadDays: z.number().nonnegative(),
  duds: z.number().min(0).max(1).optional(),
  soldering: z.boolean(),
});
export type Offer = z.infer<typeof Offer>;

export const CardShape = z.strictObject({
  format: z.literal(CARD_FORMAT),
  version: z.literal(CARD_VERSION),
  id: Id,
  revision: z.int().positive(),
  name: text(80),
  class: text(120),
  kind: z.enum(CARD_KINDS),
  sources: z.record(Id, Source),
  headers: z.array(Header).max(12),
  terminals: z.array(Terminal).max(200),
  supplies: z.array(Supply).max(8),
  rails: z.array(RailOffer).max(8).optional(),
  signals: z.array(Signal).max(64),
  ports: z.array(Port).max(16),
  /** Ports that it speaks on one instead of the other: by the way it is wired, only those of one of these are in use. */
  modes: z.array(z.array(Id).min(1).max(16)).min(2).max(8).optional(),
  measures: z.array(Measure).max(12),
  /** What it does for a person, besides measuring. */
  serves: z.array(z.enum(SERVICES)).max(8).optional(),
  controller: Controller.optional(),
  /** For a part that reads voltages for the controller. */
  converter: ConverterPart.optional(),
  carrier: Carrier.optional(),
  body: Body.optional(),
  /** For a low-side driver: the switched terminal and what it stands. */
  driver: z
    .strictObject({
      terminal: Id,
      voltage: Volts,
      current: Amps,
      diodeFitted: z.boolean(),
      switchOff: Seconds,
      /** For a bare bipolar transistor: what its base and its collector drop, and how far it amplifies. */
      bipolar: z.strictObject({ base: Volts, saturation: Volts, gain: figure('1') }).optional(),
      /** For a field-effect transistor: what it adds when it is on, and the gate voltage at which it does. */
      onResistance: Ohms.optional(),
      gate: Volts.optional(),
      thermal: Thermal.optional(),
    })
    .optional(),
  /** For a diode: what it carries for good, what it blocks, and what it takes at that current. */
  diode: z.strictObject({ current: Amps, reverse: Volts, drop: Volts.optional() }).optional(),
  /** For a relay: the terminals of its contact, and what it may switch. */
  contact: Contact.optional(),
  /** For a translator: pairs of signals, low side and high side. */
  translator: z
    .strictObject({
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
    })
    .optional(),
  /** For a bus switch: the port that it is spoken to on, and the lines of each channel. */
  busSwitch: z
    .strictObject({
      port: Id,
      channels: z
        .array(z.strictObject({ sda: Id, scl: Id }))
        .min(1)
        .max(16),
    })
    .optional(),
  /** For a board: its rows, its pairs of long strips, and whether the strips end in the middle. */
  board: z
    .strictObject({
      rows: z.int().min(5).max(200),
      pairs: z.union([z.literal(0), z.literal(1), z.literal(2)]),
      split: z.boolean(),
      source: Id,
    })
    .optional(),
  /** For a box of resistors: so many of each value of a series, from the lowest to the highest (Ω). */
  assortment: z
    .strictObject({
      series: z.enum(['E6', 'E12', 'E24', 'E96']),
      each: z.int().positive(),
      from: z.number().positive(),
      to: z.number().positive(),
      /** How far a piece may be from its value, as a share; 5 % where nothing is said. */
      tolerance: z.number().positive().max(0.2).optional(),
      source: Id,
    })
    .optional(),
  /** For a capacitor: its value (F), and whether one leg has to be on plus. */
  capacitor: z.strictObject({ farads: z.number().positive().max(10), polar: z.boolean(), source: Id }).optional(),
  /** For leads: what is on their two ends, how long they are (m), and the colours that a pack has as many of each of. */
  lead: z
    .strictObject({
      ends: z.tuple([z.enum(LEAD_ENDS), z.enum(LEAD_ENDS)]),
      length: z.number().positive().max(100),
      colours: z.array(text(24)).min(1).max(24).optional(),
    })
    .optional(),
  /** For a source that is plugged into a socket in place of being wired. */
  outlet: Outlet.optional(),
  /** For a charger: which supply it charges from and which it charges into, with how much, and what it minds. */
  charger: z
    .strictObject({
      from: Id,
      into: Id,
      current: Amps,
      /** Set where it gives the load its own way past the cell, so that it can tell when that is full. */
      shares: z.boolean(),
      /** Set where it feels the cell and does not charge it below freezing. */
      feelsCold: z.boolean(),
      source: Id,
    })
    .optional(),
  /** For a clock with a holder for a cell: what cell is meant, and whether it is charged from the supply. */
  backup: z.strictObject({ cell: z.enum(['primary', 'rechargeable']), charges: z.boolean(), source: Id }).optional(),
  /** For a programmer: its serial port loads the program, and it feeds the board meanwhile. */
  programs: z.strictObject({ source: Id }).optional(),
  /** For a programming cable. */
  cable: Cable.optional(),
  mount: z.enum(['breadboard', 'loose', 'leads']),
  cautions: z
    .array(z.strictObject({ hazard: z.enum(HAZARDS), says: text(400), source: Id }))
    .max(12)
    .optional(),
  offers: z.array(Offer).max(12),
});
export type CardShape = z.infer<typeof CardShape>;
