/** How a part speaks: its ports with their lines, addresses, rates and words. */
import { z } from 'zod';
import { amount } from './bounds.ts';
import { Id, figure, text } from './figure.ts';
import { PROTOCOLS } from './protocol.ts';

const Volts = figure('V');
const Amps = figure('A');
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
  rates: z.array(amount('Hz')).min(1).max(16).optional(),
  rateError: figure('share').optional(),
  /** For SPI: how long after the edge of the clock its output is right, and in which of the four modes it is spoken to. */
  valid: Seconds.optional(),
  spiMode: z.int().min(0).max(3).optional(),
  /** For SPI: set where it goes on driving its output while it is not selected. */
  keepsDriving: z.strictObject({ source: Id }).optional(),
  /** For a chain of lights on one data line: what its maker asks for in that line, Ω, and across its supply. */
  chain: z.strictObject({ lights: z.int().positive().max(10_000), source: Id }).optional(),
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
