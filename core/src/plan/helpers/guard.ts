/** What stands in a feed and keeps another source out: a diode, or a switch that is opened. */
import type { GuardHelper } from './shapes.ts';
import { tells, type Text } from '../../quantity/message.ts';
import type { HelperKind } from './kind.ts';

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
