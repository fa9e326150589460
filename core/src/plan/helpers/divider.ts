/** Two resistors that bring the voltage of an output down on its way to the pin. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { Line } from '../pin-choice.ts';
import { type HelperKind, Ohms, onPort } from './kind.ts';

export const DividerHelper = z.strictObject({
  id: Id,
  kind: z.literal('divider'),
  part: Id,
  port: Id,
  line: Line,
  /** From the part to the pin, Ω. */
  upper: Ohms,
  /** From the pin to ground, Ω. */
  lower: Ohms,
});
export type DividerHelper = z.infer<typeof DividerHelper>;

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
