import { z } from 'zod';
import { Id, figure, text } from './figure.ts';
import { WATER } from './kinds.ts';

export const Body = z.strictObject({
  /** m */
  size: z
    .strictObject({
      length: z.number().positive().max(2),
      width: z.number().positive().max(2),
      height: z.number().positive().max(2).optional(),
      source: Id,
    })
    .optional(),
  /** Air temperature that the part works in. */
  ambient: figure('°C').optional(),
  water: z.strictObject({ rating: z.enum(WATER), source: Id }).optional(),
  /** What wears out, and after how long in use. */
  wear: z.strictObject({ life: figure('s'), says: text(160) }).optional(),
});
export type Body = z.infer<typeof Body>;
