/** A resistor in the line of a contact and a capacitor at the pin: what bounces is counted once. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { Line } from '../pin-choice.ts';
import { type HelperKind, Ohms, onPort, ownLine } from './kind.ts';

export const DebounceHelper = z.strictObject({
  id: Id,
  kind: z.literal('debounce'),
  part: Id,
  port: Id,
  line: Line,
  /** From the contact to the pin, Ω. */
  ohms: Ohms,
  /** From the pin to ground, F. */
  farads: z.number().min(1e-13).max(1e-3),
  card: Id,
});
export type DebounceHelper = z.infer<typeof DebounceHelper>;

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
