/** Two resistors that bring the voltage of an output down on its way to the pin. */
import type { DividerHelper } from './shapes.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { type HelperKind, onPort } from './kind.ts';

export interface DividerSays {
  readonly divider: { upper: Quantity; lower: Quantity; part: Text };
}
const tell = tells<DividerSays>('plan/helper');

export const divider: HelperKind<DividerHelper> = {
  renamed: onPort,
  legs: ({ part, port, line, upper, lower }) => [{ is: 'divider', part, port, line, upper, lower }],
  label: ({ part, upper, lower }, called) =>
    tell('divider', {
      upper: quantityOf(upper, 'Ω'),
      lower: quantityOf(lower, 'Ω'),
      part: called.part(part),
    }),
};
