/** What the parts of the encoding share. */
import { piecePrice } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import type { Circuit, PinWish } from '../../circuit/model.ts';
import type { HelperOf } from '../../plan/helpers.ts';
import type { ProblemBuilder } from '../joint/builder.ts';
import type { Bench } from './alone.ts';
import type { NewSwitch, Segment } from './segments.ts';
import type { PartOptions } from './ways.ts';

/** A translator that is there or may be added. */
export interface Slot {
  readonly id: string;
  readonly card: Card;
  readonly near: string;
  readonly far: string;
  /** The helper of the plan; null for one that may be added. */
  readonly helper: HelperOf<'translator'> | null;
  /** The new slot that must be there before this one. */
  readonly after: string | null;
}

export interface EncodingContext {
  readonly bench: Bench;
  readonly builder: ProblemBuilder;
  readonly parts: readonly PartOptions[];
  readonly segments: readonly Segment[];
  readonly newSwitch: NewSwitch | null;
  readonly slots: readonly Slot[];
  readonly wishes: readonly PinWish[];
}

/** Names of choices. */
export const CHOICE = {
  part: (id: string) => `part:${id}`,
  bus: (id: string) => `bus:${id}`,
  extra: (id: string) => `extra:${id}`,
  slot: (id: string) => `slot:${id}`,
  /** Which translator takes a bus to a far rail. */
  side: (bus: string, far: string) => `side:${bus}:${far}`,
  /** What pulls a side of a bus up; `far` null on the controller's side. */
  pull: (bus: string, far: string | null) => `pull:${bus}:${far ?? 'near'}`,
  unit: (group: string) => `unit:${group}`,
  counter: (id: string) => `counter:${id}`,
  line: (wish: string) => `line:${wish}`,
  newSwitch: 'bus-switch',
} as const;

export const ABSENT = 'absent';
/** The option of a part that is left out. */
export const LEFT_OUT = 'left-out';

export const isThere = (id: string): boolean => id !== ABSENT && id !== LEFT_OUT;

export const cents = (circuit: Circuit, card: Card | undefined): number =>
  Math.round(piecePrice(card, buyingOf(circuit.plan)) * 100);
