/** The resistor that makes a divider with a part whose resistance is the reading: from the rail to the pin. */
import type { FixedHelper } from './shapes.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { type HelperKind, onPort, ownLine } from './kind.ts';

export interface FixedSays {
  readonly fixed: { ohms: Quantity; part: Text };
}
const tell = tells<FixedSays>('plan/helper');

export const fixed: HelperKind<FixedHelper> = {
  renamed(helper, to) {
    const [moved, rail] = [onPort(helper, to), to.rail(helper.to, 'to')];
    return moved && rail !== null ? { ...moved, to: rail } : null;
  },
  legs: (helper) => [{ is: 'pull-up', line: ownLine(helper), rail: helper.to, ohms: helper.ohms, divides: true }],
  label: ({ part, ohms }, called) => tell('fixed', { ohms: quantityOf(ohms, 'Ω'), part: called.part(part) }),
};
