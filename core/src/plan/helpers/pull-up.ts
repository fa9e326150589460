/** A resistor from a line to a rail: the line is high while nothing pulls it low. */
import type { PullUpHelper } from './shapes.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import type { HelperKind } from './kind.ts';

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
