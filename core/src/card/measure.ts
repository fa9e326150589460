import { z } from 'zod';
import { amount, amountOrNone, reading, span, upwards } from './bounds.ts';
import { Id, LevelFigure, figure, text } from './figure.ts';

const Seconds = figure('s');

/** How a quantity becomes a voltage or a resistance at a signal of the card. */
export const Transfer = z.discriminatedUnion('kind', [
  /** A straight line: `low` at the lower end of the measure's range, `high` at the upper. */
  z.strictObject({ kind: z.literal('linear'), signal: Id, low: LevelFigure, high: LevelFigure }),
  /** A thermistor: resistance at 25 °C, and the constant B of R = R25 × e^(B × (1/T − 1/298.15 K)). */
  z.strictObject({
    kind: z.literal('beta'),
    signal: Id,
    r25: figure('Ω'),
    beta: figure('K'),
    /** Between which B was taken, °C; 25 and 85 where nothing is said. */
    between: z.strictObject(span('°C')).superRefine(upwards).optional(),
    /** Power that warms it by one kelvin in still air. */
    dissipation: figure('W/K').optional(),
  }),
  /** A light-dependent resistor: R = R10 × (E ÷ 10 lx)^−gamma. */
  z.strictObject({ kind: z.literal('light'), signal: Id, r10: figure('Ω'), gamma: figure('1') }),
  /** A platinum resistor by IEC 60751: its resistance at 0 °C. */
  z.strictObject({ kind: z.literal('platinum'), signal: Id, r0: figure('Ω'), dissipation: figure('W/K').optional() }),
]);
export type Transfer = z.infer<typeof Transfer>;

export const Measure = z.strictObject({
  quantity: text(40),
  unit: text(12),
  range: z.strictObject({ ...span(), source: Id }).superRefine(upwards),
  /** Half the width of the error band, by sub-range, in `unit`. */
  accuracy: z
    .array(
      z
        .strictObject({ ...span(), error: amountOrNone(), conditions: text(160).optional(), source: Id })
        .superRefine(upwards),
    )
    .min(1)
    .max(24),
  /** The smallest step that a reading can take, in `unit`. */
  resolution: z.strictObject({ value: amountOrNone(), source: Id }).optional(),
  driftPerYear: z.strictObject({ value: amountOrNone(), source: Id }).optional(),
  interval: Seconds.optional(),
  conversion: Seconds.optional(),
  /** The same in fewer bits: a coarser step that takes less time. Finest first. */
  coarser: z
    .array(
      z.strictObject({
        bits: z.int().min(1).max(32),
        /** In `unit`. */
        resolution: amount(),
        conversion: Seconds,
        source: Id,
      }),
    )
    .min(1)
    .max(8)
    .optional(),
  warmUp: Seconds.optional(),
  /** A new element is heated so long before its readings count. */
  burnIn: Seconds.optional(),
  /** Set where it takes the lowest reading of some days for fresh air, of so much in `unit`. */
  selfCalibrates: z.strictObject({ to: reading(), source: Id }).optional(),
  /** How long an event stays to be read. */
  holds: Seconds.optional(),
  /** What else moves the reading: a gas element answers to several gases. */
  sensitiveTo: z
    .array(z.strictObject({ to: text(40), says: text(160).optional(), source: Id }))
    .max(16)
    .optional(),
  /** Set where the reading is a voltage that the controller has to convert. */
  analog: Transfer.optional(),
});
export type Measure = z.infer<typeof Measure>;
