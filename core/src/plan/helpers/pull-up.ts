/** A resistor from a line to a rail: the line is high while nothing pulls it low. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { Line, NetOf, RailRef } from '../pin-choice.ts';
import { type HelperKind, Ohms } from './kind.ts';

export const PullUpHelper = z.strictObject({
  id: Id,
  kind: z.literal('pull-up'),
  of: NetOf,
  line: Line,
  /** The translator on whose far side it stands; missing on the controller's side. */
  beyond: Id.optional(),
  to: RailRef,
  ohms: Ohms,
});
export type PullUpHelper = z.infer<typeof PullUpHelper>;

export interface PullUpSays {
  readonly 'pull-up': { ohms: Quantity; line: Text; rail: Text };
}
const tell = tells<PullUpSays>('plan/helper');

export const pullUp: HelperKind<PullUpHelper> = {
  renamed(helper, to) {
    const [of, rail] = [to.net(helper.of, 'of'), to.rail(helper.to, 'to')];
    const beyond = helper.beyond === undefined ? undefined : to.helper(helper.beyond, 'beyond');
    if (of === null || rail === null || beyond === null) return null;
    return { ...helper, of, to: rail, ...(beyond === undefined ? {} : { beyond }) };
  },
  legs: ({ of, line, beyond, to, ohms }) => [
    { is: 'pull-up', line: { of, line, beyond }, rail: to, ohms, divides: false },
  ],
  label: ({ of, line, to, ohms }, called) =>
    tell('pull-up', { ohms: quantityOf(ohms, 'Ω'), line: called.line(of, line), rail: called.rail(to) }),
};
