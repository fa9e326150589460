import { z } from 'zod';
import { issueOf } from '../quantity/problem.ts';
import { expected, form } from './problem.ts';
import { SERVICES, WATER } from '../card/kinds.ts';
import { amount, amountOrNone, reading, span, upwards } from '../card/bounds.ts';
import { Id, text } from '../card/figure.ts';
import { SHARED_PROTOCOLS } from '../card/protocol.ts';
import { Helper } from './helpers/shapes.ts';
import { isWireNumber } from '../standard/one-wire.ts';
import { HouseRules } from './house-rules.ts';
import { CABLES, SUNS } from './kinds.ts';
import { Line, PinChoice, RailRef } from './pin-choice.ts';

/** A plan larger than this is no sensor build; the limit keeps a hostile file from stalling the page. */
export const MAX_PARTS = 2000;

const SenseNeed = z
  .strictObject({
    id: Id,
    kind: z.literal('sense'),
    quantity: text(40),
    unit: text(12),
    ...span(),
    /** Half the width of the band that a reading may be off, in `unit`. */
    accuracy: amount(),
    /** Time between readings, s. */
    interval: z.number().min(1e-6).max(1e9),
    place: text(60),
  })
  .superRefine((need, context) => {
    if (need.from >= need.to) context.addIssue(issueOf(['to'], expected('upperEnd')));
  });
const PlainNeed = z.strictObject({
  id: Id,
  kind: z.enum(['show', 'drive', 'operate']),
  what: text(80),
  place: text(60),
  /** What a part must serve to meet it; missing where only the maker can say. */
  service: z.enum(SERVICES).optional(),
});
/** What must happen when a reading passes a level. */
const TriggerNeed = z.strictObject({
  id: Id,
  kind: z.literal('trigger'),
  /** The sensing need whose reading is watched. */
  of: Id,
  when: z.enum(['above', 'below']),
  /** In the unit of the watched need. */
  level: reading(),
  /** How far the reading must come back before the event ends, in the same unit. */
  hysteresis: amountOrNone(),
  /** A sticky event stays until a person acknowledges it. */
  release: z.enum(['clears', 'sticky']),
  /** The needs (show or drive) that it sets off. */
  sets: z.array(Id).max(12),
});
export const Need = z.discriminatedUnion('kind', [SenseNeed, PlainNeed, TriggerNeed]);
export type Need = z.infer<typeof Need>;
export type PlainNeed = z.infer<typeof PlainNeed>;
export type TriggerNeed = z.infer<typeof TriggerNeed>;

/** Somewhere that needs are at, by its name. A name without an entry is an indoor place about which nothing is said. */
export const Place = z.strictObject({
  name: text(60),
  water: z.enum(WATER),
  /** Air temperature there, °C. */
  air: z.strictObject(span('°C')).superRefine(upwards).optional(),
  outdoors: z.boolean(),
  closed: z.boolean(),
  /** How the sun reaches it; nothing said outdoors counts as in the sun. */
  sun: z.enum(SUNS).optional(),
  /** Length of the leads from the controller, m. */
  lead: z.number().min(1e-3).max(1000).optional(),
});
export type Place = z.infer<typeof Place>;
export type SenseNeed = z.infer<typeof SenseNeed>;

export const PortChoice = z.strictObject({
  bus: Id.optional(),
  address: z.int().min(0).max(255).optional(),
  lines: z.record(Line, PinChoice).optional(),
  /** For a coil: the part that switches it. */
  driver: Id.optional(),
  /** Where that part is a relay: closed while it is on, or while it is off. */
  contact: z.enum(['open', 'closed']).optional(),
  /** Where its serial rate can be told: Hz, one of those of its card. */
  rate: amount('Hz').optional(),
  /** Set where the software uses the commands that do not hold the clock. */
  noHold: z.boolean().optional(),
  /** For a bus switch: the program keeps all channels that are used on at once. */
  together: z.boolean().optional(),
  /** Set where the part lives on its data line, its supply terminal on ground. */
  parasite: z.boolean().optional(),
  /** For a part on one wire: the number that it is known by there, as its eight bytes come over the line. */
  number: z
    .string()
    .regex(/^[0-9a-f]{16}$/, form('wireNumber'))
    .superRefine((number, context) => {
      if (!isWireNumber(number)) context.addIssue(issueOf([], expected('wireNumber', { found: number })));
    })
    .optional(),
  /** Configuration words as composed: word of the card -> value. */
  words: z.record(Id, z.int().nonnegative().max(0xffffffff)).optional(),
});
export type PortChoice = z.infer<typeof PortChoice>;

/** What a part does between two pieces of work. */
const RESTS = ['idle', 'sleep', 'off'] as const;
export type RestState = (typeof RESTS)[number];

/** When a part is at work, where card and needs do not say it. Seconds. */
export const Run = z.strictObject({
  /** From one piece of work to the next; missing for the shortest interval of its needs. */
  every: z.number().min(1e-6).max(1e8).optional(),
  /** How long one takes. */
  busy: z.number().min(1e-6).max(1e8).optional(),
  /** Share of the time at work, for what follows no clock. */
  duty: z.number().min(0).max(1).optional(),
  /** When it begins after the beginning of the round; missing where the program keeps to no order. */
  after: z.number().nonnegative().max(1e8).optional(),
  rest: z.enum(RESTS).optional(),
  /** Hz, one of those of its card. */
  clock: amount('Hz').optional(),
});
export type Run = z.infer<typeof Run>;

/** A hole: "board:row" as a12, or of a long strip as u+3 (upper plus), l-14 (lower minus). */
const HoleName = z.string().regex(/^[1-8]:([a-j]\d{1,3}|[ul][+-]\d{1,3})$/, form('hole'));
/** Where something stands: the hole of its first terminal or leg. */
export const Spot = z.strictObject({
  hole: HoleName,
  /** Half a turn: what reads from left to right reads from right to left. */
  turned: z.boolean().optional(),
  /** For a part with two legs: the hole of the other one. */
  to: HoleName.optional(),
});
export type Spot = z.infer<typeof Spot>;

export const PartChoice = z.strictObject({
  id: Id,
  card: Id,
  label: text(60),
  needs: z.array(Id).max(24),
  /** Supply of the card -> rail that feeds it. */
  feeds: z.record(Id, RailRef),
  ports: z.record(Id, PortChoice),
  /** Where it can read in fewer bits: as many; all of them where nothing is said. */
  bits: z.int().min(1).max(32).optional(),
  /** For a card with several modes: which of them it is wired for; the first where nothing is said. */
  mode: z.int().min(0).max(7).optional(),
  /** Signals whose fitted pull-up is disconnected; of a board its pins, of a carrier its printed names. */
  opened: z.array(Id).max(16),
  /** Length of the leads to this part, m. */
  lead: z.number().min(1e-3).max(1000).optional(),
  /** What they are: loose wires, each twisted with ground, or screened; loose where nothing is said. */
  cable: z.enum(CABLES).optional(),
  /** American gauge of those leads; that of jumpers where nothing is said. */
  gauge: z.int().min(8).max(40).optional(),
  /** Where it is, for a part that serves no need with a place. */
  place: text(60).optional(),
  /** A part that it stands beside, and how far apart they are, m. */
  beside: z.strictObject({ part: Id, distance: z.number().min(1e-4).max(10) }).optional(),
  run: Run.optional(),
  /** The pin of the controller that is its ground, as "controller.pin"; missing for the ground that all share. */
  ground: RailRef.optional(),
  /** Terminal that must not float -> ground, or the supply of the part that it is tied to. */
  ties: z.record(Id, Id).optional(),
  /** For a source: its ground is not joined with that of the others. */
  apart: z.boolean().optional(),
  /** Supply -> a second rail that meets the first one there. */
  also: z.record(Id, RailRef).optional(),
  /** The part whose socket it is plugged into, header on header: its first header begins at that position there. */
  on: z.strictObject({ part: Id, header: Id, at: z.int().min(1).max(200), turned: z.boolean().optional() }).optional(),
  /** The carrier that it is fitted on: it comes with it, and its pins are where the carrier leads them. */
  fittedOn: Id.optional(),
  /** Set where it is there only for a while: a programmer, while a program is loaded. */
  only: z.literal('programming').optional(),
  /** Set where its feeds, buses, addresses and jumpers are soldered: a solution leaves them as they are. */
  locked: z.boolean().optional(),
});
export type PartChoice = z.infer<typeof PartChoice>;

export const Bus = z.strictObject({
  id: Id,
  name: text(40),
  protocol: z.enum(SHARED_PROTOCOLS),
  /** Hz */
  clock: z.number().min(1).max(10e6).optional(),
  lines: z.record(Line, PinChoice),
  /** For a segment of a bus: the bus switch and the channel that it hangs on. It has no pins of its own. */
  behind: z.strictObject({ part: Id, channel: z.int().min(0).max(15) }).optional(),
  /** The pin that the system's driver is told to use, where that is not its default. */
  configuredPin: Id.optional(),
});
export type Bus = z.infer<typeof Bus>;

export const Plan = z.strictObject({
  id: Id,
  name: text(80),
  note: z.string().max(2000).optional(),
  needs: z.array(Need).max(100),
  places: z.array(Place).max(50),
  /** How long the build is meant to serve, years: what drift is counted over. */
  lifeYears: z.number().min(1e-3).max(50),
  /** How long it must run on one filling of its cells, s. */
  runFor: z.number().min(1).max(1e9).optional(),
  /** Hours of full sun a day in the worst month, for a build on a panel. */
  sunHours: z.number().min(1e-3).max(24).optional(),
  budget: z.strictObject({ most: amount(), currency: z.string().regex(/^[A-Z]{3}$/, form('currency')) }).optional(),
  readyInDays: z.number().min(1e-3).max(3650).optional(),
  parts: z.array(PartChoice).max(MAX_PARTS),
  /** Card -> the revision that the plan was made with, where it is not the one that came with it. */
  revisions: z.record(Id, z.int().positive().max(1e9)),
  /** The part that the signals go to. */
  controller: Id.nullable(),
  buses: z.array(Bus).max(64),
  helpers: z.array(Helper).max(MAX_PARTS),
  rules: HouseRules,
  /** Features of the controller that the build does not use: a radio that stays off leaves its units free. */
  unused: z.array(Id).max(8).optional(),
  /** Cards of the boards, from top to bottom; none for a build without a board. */
  boards: z.array(Id).max(8),
  /** What the maker put where: parts and helpers. Everything else is placed anew each time. */
  spots: z.record(Id, Spot).optional(),
  /** Cards of the leads, from which each lead takes the shortest that reaches. */
  leads: z.array(Id).max(8),
  /** Card of the resistors. */
  resistors: Id.nullable(),
  /** Card of the joints for bare wires. */
  joint: Id.nullable(),
  /** The currency that everything is summed in; that of the budget where there is one. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/, form('currency'))
    .optional(),
  /** Another currency -> how much one of it is in the plan's own, as the maker entered it. */
  rates: z.record(z.string().regex(/^[A-Z]{3}$/, form('currency')), z.number().min(1e-9).max(1e9)).optional(),
  /** Set where the program starts a conversion and reads the others meanwhile. */
  overlap: z.boolean().optional(),
  /** What is in the drawer: card -> pieces. */
  stock: z.record(Id, z.int().nonnegative().max(1e6)),
  /** Results that were measured on the built thing, by their key, and the fingerprint of the hardware that it was. */
  measured: z
    .strictObject({
      fingerprint: z.string().max(64),
      at: z.string().max(40),
      results: z.array(z.string().max(300)).max(5000),
    })
    .optional(),
  /** Sentences of hazards that the maker has read and ticked off. */
  acknowledged: z.array(text(400)).max(200).optional(),
  /** Wiring steps that are done, by their key. */
  done: z.array(z.string().max(200)).max(5000),
});
export type Plan = z.infer<typeof Plan>;
