/** A capacitor from a line to ground, beside its pin: it gives the converter its sample, and keeps noise off. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { tells, type Text } from '../../quantity/message.ts';
import { Line } from '../pin-choice.ts';
import { type HelperKind, onPort, ownLine } from './kind.ts';

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

export interface FilterSays {
  readonly filter: { card: Text; part: Text };
}
const tell = tells<FilterSays>('plan/helper');

export const filter: HelperKind<FilterHelper> = {
  renamed(helper, to) {
    const moved = onPort(helper, to);
    return moved && { ...moved, card: to.card(helper.card, 'card') };
  },
  legs: (helper) => [
    { is: 'line-capacitor', part: helper.part, line: ownLine(helper), farads: helper.farads, card: helper.card },
  ],
  label: ({ part, card }, called) => tell('filter', { card: called.card(card), part: called.part(part) }),
};
