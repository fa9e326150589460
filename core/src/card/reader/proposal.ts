import type { Message, Text } from '../../quantity/message.ts';
import type { Box } from './page.ts';
import type { SlotId } from './slots.ts';

/** How sure the reader is: "sure" is only said where nothing else was possible. */
export type Sureness = 'sure' | 'likely' | 'doubtful';

/** A figure that the reader found, for the maker to accept, mend or drop. Values are in SI base units. */
export interface Proposal {
  readonly id: string;
  readonly slot: SlotId;
  readonly quantity?: { readonly quantity: string; readonly unit: string };
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  readonly unit: string;
  /** For an accuracy: the stretch of the range that it holds over. */
  readonly over?: { readonly from: number; readonly to: number };
  /** For an accuracy that grows with the reading: the share of the reading that comes on top. */
  readonly ofReading?: number;
  /** For an address: how the strap must be set. For a terminal: its printed label. */
  readonly label?: string;
  /** For an identification: where the word is read, and how wide it is. */
  readonly register?: number;
  readonly bits?: 8 | 16 | 32;
  /** For a size: length, width and height, m. */
  readonly size?: readonly number[];
  readonly conditions: string;
  /** As the datasheet names it. */
  readonly name: Text;
  /** The words that it was read from. */
  readonly said: string;
  readonly page: number;
  readonly box: Box;
  readonly sureness: Sureness;
  /** Why it is not sure. */
  readonly doubts: readonly Message[];
}

/** A figure that a person looked at and took. */
export type Accepted = Omit<Proposal, 'sureness' | 'doubts'>;

export type Draft = Omit<Proposal, 'id' | 'sureness' | 'page'> & { readonly weak?: boolean };

/** Sure without a doubt; likely with one, or where it was read from running text; else doubtful. */
export function surenessOf(doubts: readonly Message[], weak: boolean): Sureness {
  const count = doubts.length + (weak ? 1 : 0);
  return count === 0 ? 'sure' : count === 1 ? 'likely' : 'doubtful';
}
