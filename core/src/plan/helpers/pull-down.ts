/** A resistor from a line to ground, so that it is low while nothing drives it. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { Line } from '../pin-choice.ts';
import { type HelperKind, Ohms, onPort, ownLine } from './kind.ts';

export const PullDownHelper = z.strictObject({
  id: Id,
  kind: z.literal('pull-down'),
  part: Id,
  port: Id,
  line: Line,
  ohms: Ohms,
});
export type PullDownHelper = z.infer<typeof PullDownHelper>;

export interface PullDownSays {
  readonly 'pull-down': { ohms: Quantity; part: Text };
}
const tell = tells<PullDownSays>('plan/helper');

export const pullDown: HelperKind<PullDownHelper> = {
  renamed: onPort,
  legs: (helper) => [{ is: 'pull-down', line: ownLine(helper), ohms: helper.ohms }],
  label: ({ part, ohms }, called) => tell('pull-down', { ohms: quantityOf(ohms, 'Ω'), part: called.part(part) }),
};
