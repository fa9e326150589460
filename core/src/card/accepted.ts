/** A figure on its way from a datasheet into a card. */
import { tells, type Text } from '../quantity/message.ts';
import type { Proposal } from './reader/proposal.ts';

/** A figure that a person looked at and took. */
export type Accepted = Omit<Proposal, 'sureness' | 'doubts'>;

/** Why a figure found no place. */
export interface EnterSays {
  noPlace: null;
  noSupply: null;
  noRail: null;
  noSignal: null;
  noSharedLine: null;
  noBus: null;
  noValue: null;
  noQuantity: null;
  noAccuracy: { quantity: Text };
  noRange: { quantity: Text };
  sizeIncomplete: null;
  terminalIncomplete: null;
  noHeader: null;
}
export const noPlace = tells<EnterSays>('card/enter');

/** Bounds and conditions as a card keeps them. */
export const boundsOf = ({ min, typ, max, conditions }: Accepted) => ({
  ...(min === undefined ? {} : { min }),
  ...(typ === undefined ? {} : { typ }),
  ...(max === undefined ? {} : { max }),
  ...(conditions ? { conditions: conditions.slice(0, 160) } : {}),
});
