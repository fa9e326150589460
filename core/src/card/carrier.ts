import { z } from 'zod';
import { figure, Id, text } from './figure.ts';

/** A board that a controller plugs into: it renames pins, and brings parts that sit on some of them. */
export const Carrier = z.strictObject({
  /** By card of the controller: printed name on the carrier -> pin of the controller. */
  fits: z.record(Id, z.record(z.string().max(24), Id)),
  /** Parts that it brings; their lines are on the printed names. */
  fitted: z
    .array(
      z.strictObject({
        id: Id,
        card: Id,
        label: text(60),
        /** Port of the part's card -> line -> printed name. */
        lines: z.record(Id, z.record(z.string().max(16), z.string().max(24))),
        source: Id,
      }),
    )
    .max(24),
  /** Resistors on it that pull a printed name up, to a rail or supply of the controller. */
  pullUps: z
    .array(
      z.strictObject({
        name: z.string().max(24),
        value: figure('Ω'),
        to: Id,
        removable: z.enum(['jumper', 'solder', 'no']),
      }),
    )
    .max(16)
    .optional(),
  /** Printed names that are led out to the maker. */
  free: z.array(z.string().max(24)).max(64),
});
export type Carrier = z.infer<typeof Carrier>;
