/** A capacitor from a line to ground, beside its pin: it gives the converter its sample, and keeps noise off. */
import type { FilterHelper } from './shapes.ts';
import { tells, type Text } from '../../quantity/message.ts';
import { type HelperKind, onPort, ownLine } from './kind.ts';

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
