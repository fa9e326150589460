import { z } from 'zod';
import { form } from './problem.ts';
import { amount, amountOrNone } from './bounds.ts';
import { Body } from './body.ts';
import { Board, Capacitor, Diode, Driver, Lead, NONE, Translator } from './by-kind.ts';
import { Carrier } from './carrier.ts';
import { Controller, ConverterPart } from './controller.ts';
import { electrical } from './electrical.ts';
import { EVIDENCE } from './evidence.ts';
import { Id, Source, figure, text } from './figure.ts';
import { DISPLAYS, HAZARDS, HEADER_KINDS, SERVICES, SIGNAL_KINDS } from './kinds.ts';
import { Measure } from './measure.ts';
import { Port } from './port.ts';
import { Cable, Contact, Outlet, RailOffer, States } from './power.ts';
import { CARD_FORMAT, CARD_VERSION } from './version.ts';

const Volts = figure('V');
const Amps = figure('A');
const Ohms = figure('Ω');

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
  lead: z.strictObject({ colour: text(24), length: z.number().min(1e-3).max(1000) }).optional(),
  source: Id.optional(),
});
export type Terminal = z.infer<typeof Terminal>;

const Header = z.strictObject({
  id: Id,
  kind: z.enum(HEADER_KINDS),
  rows: z.int().min(1).max(4),
  pitch: z.number().min(1e-5).max(0.05),
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

export const Offer = z.strictObject({
  supplier: text(60),
  price: amountOrNone(),
  currency: z.string().regex(/^[A-Z]{3}$/, form('currency')),
  pack: z.int().positive().max(1e6),
  shipping: amountOrNone(),
  /** Goods of one order from this supplier from which on its shipping is free. */
  freeFrom: amount().optional(),
  leadDays: z.number().nonnegative().max(3650),
  duds: z.number().min(0).max(1).optional(),
  soldering: z.boolean(),
});
export type Offer = z.infer<typeof Offer>;

/** What another source says of a figure that the card has from elsewhere, as it was typed. */
const Beside = z.strictObject({ place: text(160), says: text(80), kind: z.enum(EVIDENCE), from: text(200) });

/** What every card may say, whatever its kind. */
const Plain = z.strictObject({
  ...NONE,
  format: z.literal(CARD_FORMAT),
  version: z.literal(CARD_VERSION),
  id: Id,
  revision: z.int().positive().max(1e9),
  name: text(80),
  class: text(120),
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
  /** For a display: how much it shows across and down. */
  display: z
    .strictObject({
      columns: z.int().min(1).max(4096),
      rows: z.int().min(1).max(4096),
      of: z.enum(DISPLAYS),
      source: Id,
    })
    .optional(),
  /** For a part that reads voltages for the controller. */
  converter: ConverterPart.optional(),
  body: Body.optional(),
  /** For a relay: the terminals of its contact, and what it may switch. */
  contact: Contact.optional(),
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
  /** For a box of resistors: so many of each value of a series, from the lowest to the highest (Ω). */
  assortment: z
    .strictObject({
      series: z.enum(['E6', 'E12', 'E24', 'E96']),
      each: z.int().positive().max(1e6),
      from: amount('Ω'),
      to: amount('Ω'),
      /** How far a piece may be from its value, as a share; 5 % where nothing is said. */
      tolerance: z.number().positive().max(0.2).optional(),
      source: Id,
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
  mount: z.enum(['breadboard', 'loose', 'leads']),
  cautions: z
    .array(z.strictObject({ hazard: z.enum(HAZARDS), says: text(400), source: Id }))
    .max(12)
    .optional(),
  offers: z.array(Offer).max(12),
  besides: z.array(Beside).max(200).optional(),
});

/**
 * A card by its kind, which proves what is there: a controller has its pins, a board its rows. Of a driver, a diode or a capacitor it
 * may be that nobody knows more than what it is.
 */
export const CardShape = z.discriminatedUnion('kind', [
  Plain.extend({ kind: z.literal('controller'), controller: Controller }),
  Plain.extend({ kind: z.literal('carrier'), carrier: Carrier }),
  Plain.extend({ kind: z.literal('driver'), driver: Driver.optional() }),
  Plain.extend({ kind: z.literal('diode'), diode: Diode.optional() }),
  Plain.extend({ kind: z.literal('translator'), translator: Translator }),
  Plain.extend({ kind: z.literal('board'), board: Board }),
  Plain.extend({ kind: z.literal('capacitor'), capacitor: Capacitor.optional() }),
  Plain.extend({ kind: z.literal('leads'), lead: Lead }),
  Plain.extend({ kind: z.literal('cable'), cable: Cable }),
  Plain.extend({ kind: z.enum(['module', 'source', 'regulator', 'resistor', 'switch', 'joint']) }),
]);
export type CardShape = z.infer<typeof CardShape>;
