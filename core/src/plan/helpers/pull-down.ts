/** A resistor from a line to ground, so that it is low while nothing drives it. */
import type { PullDownHelper } from './shapes.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { type HelperKind, onPort, ownLine } from './kind.ts';

export interface PullDownSays {
  readonly 'pull-down': { ohms: Quantity; part: Text };
}
const tell = tells<PullDownSays>('plan/helper');

export const pullDown: HelperKind<PullDownHelper> = {
  renamed: onPort,
  legs: (helper) => [{ is: 'pull-down', line: ownLine(helper), ohms: helper.ohms }],
  label: ({ part, ohms }, called) => tell('pull-down', { ohms: quantityOf(ohms, 'Ω'), part: called.part(part) }),
};
