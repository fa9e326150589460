import { z } from 'zod';
import { Id, figure, text } from './figure.ts';
import { FREE_NEEDS, WATER } from './kinds.ts';

export const Body = z.strictObject({
  /** m */
  size: z
    .strictObject({
      length: z.number().min(1e-5).max(2),
      width: z.number().min(1e-5).max(2),
      height: z.number().min(1e-5).max(2).optional(),
      source: Id,
    })
    .optional(),
  /** Air temperature that the part works in. */
  ambient: figure('°C').optional(),
  water: z.strictObject({ rating: z.enum(WATER), source: Id }).optional(),
  /** The end of its headers at which a plug goes in: that of position 1, or the last. */
  socket: z.strictObject({ end: z.enum(['first', 'last']), source: Id }).optional(),
  /** What must not be kept from it. */
  free: z.strictObject({ needs: z.array(z.enum(FREE_NEEDS)).min(1).max(4), source: Id }).optional(),
  /** What wears out, and after how long in use. */
  wear: z.strictObject({ life: figure('s'), says: text(160) }).optional(),
});
export type Body = z.infer<typeof Body>;
