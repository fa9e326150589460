/** What parts draw in each of their states, and what gives it to them. */
import { z } from 'zod';
import { issueOf } from '../quantity/problem.ts';
import { expected } from './problem.ts';
import { amount, reading } from './bounds.ts';
import { Id, figure } from './figure.ts';

const Volts = figure('V');
const Amps = figure('A');
const Ohms = figure('Ω');
const Seconds = figure('s');

/** What a part is doing in a stage of its work. */
export const STAGES = ['heating', 'converting', 'transmitting', 'listening', 'moving'] as const;

/** Currents by state, A. */
export const States = z.strictObject({
  /** Told to sleep. */
  sleep: Amps.optional(),
  /** Powered and waiting. */
  idle: Amps.optional(),
  /** At work. */
  active: Amps,
  /** The most that it takes for moments while at work. */
  peak: Amps.optional(),
  /** After it was switched on or woken, until readings are good; as when at work where nothing is said. */
  warmUp: Amps.optional(),
  /** Share of the time at work, where no rhythm of the plan says it. */
  duty: z.number().min(0).max(1).optional(),
  /** How long one reading, message or movement keeps it at work. */
  busy: Seconds.optional(),
  /** The parts of one such piece of work, one after the other, where they differ. */
  stages: z
    .array(z.strictObject({ name: z.enum(STAGES), current: Amps, time: Seconds }))
    .min(1)
    .max(6)
    .optional(),
  /** Other clocks that it can run at, Hz, and what it then takes. */
  clocks: z
    .array(z.strictObject({ frequency: amount('Hz'), idle: Amps.optional(), active: Amps }))
    .min(1)
    .max(8)
    .optional(),
});
export type States = z.infer<typeof States>;

/** How heat leaves a part that stands in free air. */
export const Thermal = z.strictObject({
  /** From the junction to the air, mounted as it is. */
  toAir: figure('K/W'),
  /** From the junction to the surface that a finger meets. */
  toCase: figure('K/W').optional(),
  /** The most that the junction stands. */
  limit: figure('°C'),
});
export type Thermal = z.infer<typeof Thermal>;

const CHEMISTRIES = ['primary', 'rechargeable', 'lithium'] as const;

/** A pack of cells behind a rail. */
export const Cells = z
  .strictObject({
    chemistry: z.enum(CHEMISTRIES),
    /** In series. */
    count: z.int().min(1).max(100),
    /** Of the pack, down to the cut-off. */
    capacity: figure('C'),
    /** Its voltage without load over the share of the capacity that is used, fullest first. */
    curve: z
      .array(z.strictObject({ used: z.number().min(0).max(1), volts: amount('V') }))
      .min(2)
      .max(40),
    resistance: Ohms,
    /** Voltage under load at which it counts as empty. */
    cutOff: Volts,
    /** Set where the pack cuts itself off before it is harmed: at which voltage. */
    protection: z.strictObject({ cutsAt: Volts, source: Id }).optional(),
    /** The most that it may be charged with. */
    charge: Amps.optional(),
    /** What blows on a short: a fuse, or a protection that opens. */
    fuse: Amps.optional(),
    /** Share of the capacity that is left at a low temperature, °C; all of it at 20 °C. */
    cold: z.strictObject({ at: reading('°C'), share: z.number().min(0).max(1) }).optional(),
    /** Share of the capacity lost in a year on the shelf. */
    selfDischarge: figure('share').optional(),
    source: Id,
  })
  .superRefine(({ curve }, context) => {
    curve.forEach((point, i) => {
      const before = curve[i - 1];
      if (before && !(point.used > before.used && point.volts <= before.volts))
        context.addIssue(issueOf(['curve', i], expected('curveFalls')));
    });
    if (curve[0]?.used !== 0 || curve.at(-1)?.used !== 1) context.addIssue(issueOf(['curve'], expected('curveEnds')));
  });
export type Cells = z.infer<typeof Cells>;

/** A rail that a part offers to others. */
export const RailOffer = z.strictObject({
  id: Id,
  name: z.string().trim().min(1).max(40),
  terminal: Id,
  /** Missing where the rail passes its supply through. */
  voltage: Volts.optional(),
  limit: Amps,
  /** What the part itself draws from this rail. */
  ownLoad: States.optional(),
  /** The supply that it is made from; missing for a source such as a wall adapter. */
  from: z
    .strictObject({
      supply: Id,
      by: z.enum(['pass', 'linear', 'switching']),
      /** Share of the power that arrives, for a switching regulator; its own current is that of its supply. */
      efficiency: z.number().min(1e-3).max(1).optional(),
      /** The same over the current, A, where it differs. */
      curve: z
        .array(z.strictObject({ current: amount('A'), share: z.number().min(1e-3).max(1) }))
        .min(2)
        .max(20)
        .optional(),
      /** For a step-up: the most that its switch carries. */
      switchCurrent: Amps.optional(),
      dropout: Volts.optional(),
      /** What is lost on the way where the rail passes its supply through: a diode, a fuse, a switch. */
      drop: Volts.optional(),
      /** What the regulator itself takes, where its supply also feeds other things on the part. */
      quiescent: Amps.optional(),
      thermal: Thermal.optional(),
    })
    .optional(),
  /** The port whose line switches this rail on and off. */
  switch: z.strictObject({ port: Id }).optional(),
  /** What is on the part between this rail and ground, and after how long it answers a gust of current. */
  reserve: figure('F').optional(),
  response: Seconds.optional(),
  /** For a solar panel: what it gives in full sun. */
  panel: z.strictObject({ power: figure('W'), source: Id }).optional(),
  /** For a power bank: it switches itself off below this current. */
  staysOn: Amps.optional(),
  /** For a source of cells. */
  cells: Cells.optional(),
  /** For a port of a computer: what it gives before it was asked for more. */
  port: z.strictObject({ before: Amps }).optional(),
});
export type RailOffer = z.infer<typeof RailOffer>;

/** How a second source meets a supply. */
const JOINS = ['straight', 'diode', 'switch'] as const;
export type Join = (typeof JOINS)[number];

/** What the far end of a programming cable looks like. */
const PLUGS = ['B', 'C', 'micro-B', 'mini-B'] as const;

/** A controller's programming socket: a feed like any other, on a way of its own. */
export const UsbSocket = z.strictObject({
  /** The supply that it meets on the board. */
  supply: Id,
  by: z.enum(JOINS),
  /** The rail that it makes directly, past the regulator of that supply, where the board is so built. */
  makes: Id.optional(),
  plug: z.enum(PLUGS).optional(),
  /** What may come in at the socket. */
  voltage: Volts,
  /** Lost between the socket and what it feeds: a diode, a fuse, a switch. */
  drop: Volts.optional(),
  /** What the fuse or the switch on that way carries. */
  limit: Amps.optional(),
  source: Id,
});
export type UsbSocket = z.infer<typeof UsbSocket>;

/** How a source hands its power on: by a plug on a cable of its own, or an outlet that wants a cable. */
export const Outlet = z.strictObject({ plug: z.enum(PLUGS).optional(), source: Id });
export type Outlet = z.infer<typeof Outlet>;

/** A programming cable: its plug, how long it is (m), its wires, and what its four contacts add. */
export const Cable = z.strictObject({
  plug: z.enum(PLUGS),
  length: z.number().min(1e-3).max(10),
  gauge: z.int().min(18).max(32),
  contacts: Ohms,
  source: Id,
});
export type Cable = z.infer<typeof Cable>;

const Rating = z.strictObject({ voltage: Volts, current: Amps });

/** The contact of a relay: it joins two terminals and is joined with nothing else on the part. */
export const Contact = z.strictObject({
  common: Id,
  /** Joined with the common one while the relay is on. */
  open: Id,
  /** Joined with it while the relay is off. */
  closed: Id.optional(),
  direct: Rating,
  alternating: Rating.optional(),
  /** What it carries for the moment in which a load is switched on. */
  inrush: Amps.optional(),
  source: Id,
});
export type Contact = z.infer<typeof Contact>;
