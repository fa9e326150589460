/** A figure as a person types it over what was read: "0.7 VDD", "VDD - 0.3 V", "3 % + 2", "2.7 to 5.5 V". */
import { tells, type Message } from '../../quantity/message.ts';
import { bareBound } from '../bare-bound.ts';
import { FIGURE_OF_SLOT } from '../figures.ts';
import type { Proposal } from './proposal.ts';
import { isMeasureSlot, slotOf, type SlotId } from './slots.ts';
import { readValue } from './values.ts';

/** What is said of a text that is no figure of this kind. */
export interface CorrectSays {
  readonly noValue: { text: string };
  readonly otherUnit: { unit: string; able: string };
}
const says = tells<CorrectSays>('card/correct');

export type Corrected = Pick<Proposal, 'unit'> & {
  readonly min: number | undefined;
  readonly typ: number | undefined;
  readonly max: number | undefined;
  readonly ofReading: number | undefined;
};

/**
 * @param unit in which it stood there, for a number that is typed without one
 * @returns the figure, or why the text is none of this kind
 */
export function corrected(text: string, slot: SlotId, unit: string): Corrected | Message {
  const value = readValue(text, '.', null);
  const able = isMeasureSlot(slot) && slotOf(slot).units.length === 0 ? [unit] : slotOf(slot).units;
  // A number alone is in the unit that stood there.
  const bare = value && value.unit === null && /^[^A-Za-zµΩ°%]*$/.test(text) ? { ...value, unit } : value;
  if (!bare?.unit) return says('noValue', { text });
  if (!able.includes(bare.unit)) return says('otherUnit', { unit: bare.unit, able: able.join(', ') });
  const { min, typ, max, ofReading } = bare;
  const kind = FIGURE_OF_SLOT.get(slot);
  const bound = kind ? bareBound(kind.id) : null;
  if (bound && typ !== undefined && min === undefined && max === undefined)
    return { unit: bare.unit, min: undefined, typ: undefined, max: undefined, ofReading, [bound]: typ };
  return { unit: bare.unit, min, typ, max, ofReading };
}
