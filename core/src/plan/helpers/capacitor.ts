/** A capacitor across a supply of a part, as close to it as may be. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { tells, type Text } from '../../quantity/message.ts';
import type { HelperKind } from './kind.ts';

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

export interface CapacitorSays {
  readonly capacitor: { card: Text; part: Text };
}
const tell = tells<CapacitorSays>('plan/helper');

export const capacitor: HelperKind<CapacitorHelper> = {
  renamed(helper, to) {
    const part = to.part(helper.part, 'part');
    return part === null ? null : { ...helper, part, card: to.card(helper.card, 'card') };
  },
  legs: ({ part, supply, farads, polar, card }) => [{ is: 'supply-capacitor', part, supply, farads, polar, card }],
  label: ({ part, card }, called) => tell('capacitor', { card: called.card(card), part: called.part(part) }),
};
