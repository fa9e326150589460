/** A resistor in the line of a contact and a capacitor at the pin: what bounces is counted once. */
import type { DebounceHelper } from './shapes.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { type HelperKind, onPort, ownLine } from './kind.ts';

export interface DebounceSays {
  readonly debounce: { ohms: Quantity; card: Text; part: Text };
}
const tell = tells<DebounceSays>('plan/helper');

export const debounce: HelperKind<DebounceHelper> = {
  renamed(helper, to) {
    const moved = onPort(helper, to);
    return moved && { ...moved, card: to.card(helper.card, 'card') };
  },
  legs: (helper) => [
    { is: 'in-line', part: helper.part, line: ownLine(helper), ohms: helper.ohms },
    { is: 'line-capacitor', part: helper.part, line: ownLine(helper), farads: helper.farads, card: helper.card },
  ],
  label: ({ part, ohms, card }, called) =>
    tell('debounce', { ohms: quantityOf(ohms, 'Ω'), card: called.card(card), part: called.part(part) }),
};
