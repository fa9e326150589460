/** What the parts of the encoding share. */
import { piecePrice } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import type { Circuit, PinWish } from '../../circuit/model.ts';
import type { Resource } from '../joint/problem.ts';
import type { Bench } from './alone.ts';
import type { Place, Side } from './places.ts';
import type { NewSwitch, Segment } from './segments.ts';
import type { Slot } from './slots.ts';
import type { PartOptions } from './ways.ts';

export interface EncodingContext {
  readonly bench: Bench;
  readonly parts: readonly PartOptions[];
  readonly segments: readonly Segment[];
  readonly newSwitch: NewSwitch | null;
  readonly slots: readonly Slot[];
  readonly wishes: readonly PinWish[];
  readonly places: readonly Place[];
  readonly sides: readonly Side[];
  /** What each rail has left for the parts, mA. */
  readonly rails: ReadonlyMap<string, Resource>;
}

export const cents = (circuit: Circuit, card: Card | undefined): number =>
  Math.round(piecePrice(card, buyingOf(circuit.plan)) * 100);
