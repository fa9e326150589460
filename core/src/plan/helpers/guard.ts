/** What stands in a feed and keeps another source out: a diode, or a switch that is opened. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { tells, type Text } from '../../quantity/message.ts';
import { RailRef } from '../pin-choice.ts';
import type { HelperKind } from './kind.ts';

export const GuardHelper = z.strictObject({
  id: Id,
  kind: z.literal('guard'),
  part: Id,
  supply: Id,
  rail: RailRef,
  card: Id,
});
export type GuardHelper = z.infer<typeof GuardHelper>;

export interface GuardSays {
  readonly guard: { card: Text; part: Text };
}
const tell = tells<GuardSays>('plan/helper');

export const guard: HelperKind<GuardHelper> = {
  renamed(helper, to) {
    const [part, rail] = [to.part(helper.part, 'part'), to.rail(helper.rail, 'rail')];
    return part === null || rail === null ? null : { ...helper, part, rail, card: to.card(helper.card, 'card') };
  },
  legs: ({ part, supply, rail, card }) => [{ is: 'in-feed', part, supply, rail, card }],
  label: ({ part, card }, called) => tell('guard', { card: called.card(card), part: called.part(part) }),
};
