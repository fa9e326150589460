/** What a plan says of its helpers, checked. What they do is beside, and does not bring the checking along. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { Line, NetOf, PinChoice, RailRef } from '../pin-choice.ts';

const Ohms = z.number().min(1e-3).max(100e6);

export const PullUpHelper = z.strictObject({
  id: Id,
  kind: z.literal('pull-up'),
  of: NetOf,
  line: Line,
  /** The translator on whose far side it stands; missing on the controller's side. */
  beyond: Id.optional(),
  to: RailRef,
  ohms: Ohms,
});
export type PullUpHelper = z.infer<typeof PullUpHelper>;

export const PullDownHelper = z.strictObject({
  id: Id,
  kind: z.literal('pull-down'),
  part: Id,
  port: Id,
  line: Line,
  ohms: Ohms,
});
export type PullDownHelper = z.infer<typeof PullDownHelper>;

export const SeriesHelper = z.strictObject({
  id: Id,
  kind: z.literal('series'),
  part: Id,
  port: Id,
  line: Line,
  ohms: Ohms,
});
export type SeriesHelper = z.infer<typeof SeriesHelper>;

export const DiodeHelper = z.strictObject({ id: Id, kind: z.literal('diode'), part: Id, card: Id });
export type DiodeHelper = z.infer<typeof DiodeHelper>;

export const GuardHelper = z.strictObject({
  id: Id,
  kind: z.literal('guard'),
  part: Id,
  supply: Id,
  rail: RailRef,
  card: Id,
});
export type GuardHelper = z.infer<typeof GuardHelper>;

export const TranslatorHelper = z.strictObject({
  id: Id,
  kind: z.literal('translator'),
  card: Id,
  near: RailRef,
  far: RailRef,
  ports: z
    .array(z.strictObject({ part: Id, port: Id }))
    .min(1)
    .max(64),
  /** The pin that its enable is on; missing where it is always on. */
  gate: PinChoice.optional(),
});
export type TranslatorHelper = z.infer<typeof TranslatorHelper>;

export const DividerHelper = z.strictObject({
  id: Id,
  kind: z.literal('divider'),
  part: Id,
  port: Id,
  line: Line,
  /** From the part to the pin, Ω. */
  upper: Ohms,
  /** From the pin to ground, Ω. */
  lower: Ohms,
});
export type DividerHelper = z.infer<typeof DividerHelper>;

export const FixedHelper = z.strictObject({
  id: Id,
  kind: z.literal('fixed'),
  part: Id,
  port: Id,
  line: Line,
  to: RailRef,
  ohms: Ohms,
});
export type FixedHelper = z.infer<typeof FixedHelper>;

export const CapacitorHelper = z.strictObject({
  id: Id,
  kind: z.literal('capacitor'),
  part: Id,
  supply: Id,
  farads: z.number().min(1e-13).max(10),
  /** Set where one leg must be on plus. */
  polar: z.boolean(),
  card: Id,
});
export type CapacitorHelper = z.infer<typeof CapacitorHelper>;

export const FilterHelper = z.strictObject({
  id: Id,
  kind: z.literal('filter'),
  part: Id,
  port: Id,
  line: Line,
  farads: z.number().min(1e-13).max(1e-3),
  card: Id,
});
export type FilterHelper = z.infer<typeof FilterHelper>;

export const DebounceHelper = z.strictObject({
  id: Id,
  kind: z.literal('debounce'),
  part: Id,
  port: Id,
  line: Line,
  /** From the contact to the pin, Ω. */
  ohms: Ohms,
  /** From the pin to ground, F. */
  farads: z.number().min(1e-13).max(1e-3),
  card: Id,
});
export type DebounceHelper = z.infer<typeof DebounceHelper>;

export const Helper = z.discriminatedUnion('kind', [
  PullUpHelper,
  PullDownHelper,
  SeriesHelper,
  DiodeHelper,
  GuardHelper,
  TranslatorHelper,
  DividerHelper,
  FixedHelper,
  CapacitorHelper,
  FilterHelper,
  DebounceHelper,
]);
export type Helper = z.infer<typeof Helper>;
