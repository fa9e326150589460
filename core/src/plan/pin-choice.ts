/** Names in a plan, and the pin that a line is on. */
import { z } from 'zod';
import { form } from './problem.ts';
import { Id } from '../card/figure.ts';

/** "part.rail": a rail that a part of the plan offers, or "controller.pin". */
export const RailRef = z.string().regex(/^[a-z0-9-]+\.[a-z0-9-]+$/, form('rail'));
/** A bus, or "part.port" for the lines of a port that shares nothing. */
export const NetOf = z.string().regex(/^[a-z0-9-]+(\.[a-z0-9-]+)?$/, form('net'));
export const Line = z.string().max(16);

export const PinChoice = z.strictObject({
  pin: Id.nullable(),
  locked: z.boolean(),
  weakPull: z.boolean().optional(),
  /** Set where the maker means a button or switch to change what a pin asks for at the start. */
  meant: z.boolean().optional(),
  /** For a line that no pin switches: the rail that it is tied to, or ground. */
  tied: z.union([RailRef, z.literal('ground')]).optional(),
  /** For an analog line that a converter reads: that part, of which `pin` is an input then. */
  on: Id.optional(),
});
export type PinChoice = z.infer<typeof PinChoice>;
