/** A capacitor across a supply of a part, as close to it as may be. */
import type { CapacitorHelper } from './shapes.ts';
import { tells, type Text } from '../../quantity/message.ts';
import type { HelperKind } from './kind.ts';

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
