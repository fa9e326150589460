/** What the reader looks for: the figures of a card that a datasheet can fill, and the terminals. */
import { FIGURE_OF_SLOT, figureKind, type FigureSlotId } from '../figures.ts';

export type SlotId = FigureSlotId | 'terminal';

interface Slot {
  /** Which units make sense there; none where the measured quantity has its own. */
  readonly units: readonly string[];
  /** Which sizes do, SI base units. */
  readonly from: number;
  readonly to: number;
}

const TERMINAL: Slot = { units: ['position'], from: 1, to: 200 };

export const slotOf = (slot: SlotId): Slot => {
  const row = FIGURE_OF_SLOT.get(slot);
  return row ? { units: figureKind(row.id).units, from: row.slot.from, to: row.slot.to } : TERMINAL;
};

export const SLOT_IDS: readonly SlotId[] = [...(FIGURE_OF_SLOT.keys() as Iterable<FigureSlotId>), 'terminal'];

export const isMeasureSlot = (slot: SlotId): boolean => slot.startsWith('measure.');
