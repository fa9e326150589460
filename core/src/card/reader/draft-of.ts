/** Bounds that were read and what they are of -> a draft of a proposal. */
import type { Message } from '../../quantity/message.ts';
import type { Classified, DocumentContext } from './classify.ts';
import { FIGURE_OF_SLOT } from '../figures.ts';
import { isUnusual, usualByKind, type Usual } from '../usual.ts';
import { doubtThat } from './doubt.ts';
import type { DecimalMark } from './numbers.ts';
import type { Box } from './page.ts';
import type { Draft } from './proposal.ts';
import { isMeasureSlot, slotOf, type SlotId } from './slots.ts';
import { plainText, scaled } from './units.ts';
import { readValue } from './values.ts';

/** What a document tells about all of its rows. */
export interface Reading extends DocumentContext {
  readonly mark: DecimalMark;
  /** True where the document speaks of what is measured. */
  readonly sensing: boolean;
}

/** What was read, in SI base units. */
export interface Bounds {
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  readonly unit: string | null;
  readonly symmetric: boolean;
  readonly ofReading?: number;
  readonly doubts: readonly Message[];
  readonly rest: string;
}

/** Stretches "20 to 80 %RH" in a text, in the unit asked for. */
function findRange(text: string, unit: string, mark: DecimalMark): { from: number; to: number } | null {
  const plain = plainText(text);
  const bare = unit === '%RH' ? ['%RH', '%'] : [unit];
  for (const match of plain.matchAll(/(?<![\d.,])[+-]?\d/g)) {
    const read = readValue(plain.slice(match.index), mark);
    if (read?.min === undefined || read.max === undefined || read.unit === null || !bare.includes(read.unit)) continue;
    return { from: read.min, to: read.max };
  }
  return null;
}

/** What the bounds themselves say of what they are: a supply and a rating of it have like names. */
function byBounds(found: Classified, { min, typ, max }: Bounds): Classified {
  // No part is fed from below ground: such a stretch is what it stands, whatever stands over it.
  if (found.slot === 'supply.range' && min !== undefined && min < 0)
    return { slot: 'supply.absoluteMax', doubt: doubtThat('belowGround') };
  // A rating has nothing usual, nor is there a least voltage above ground that a part must not be below.
  const isRange = min !== undefined && (typ !== undefined || (min > 0.5 && max !== undefined));
  return found.slot === 'supply.absoluteMax' && isRange
    ? { slot: 'supply.range', doubt: doubtThat('hasUsual') }
    : found;
}

interface Sides {
  readonly min?: number | undefined;
  readonly typ?: number | undefined;
  readonly max?: number | undefined;
}

/** What of the bounds a place holds, and what is odd about them. @returns null where they say nothing of the kind */
function sidesOf(
  slot: SlotId,
  { min, typ, max, symmetric, unit }: Bounds,
  name: string,
  yearly: boolean,
  doubts: Message[],
): Sides | null {
  switch (slot) {
    case 'measure.accuracy':
    case 'measure.drift': {
      if (slot === 'measure.drift' && !yearly) doubts.push(doubtThat('perYear'));
      const isStretch = min !== undefined && max !== undefined && min >= 0 && !symmetric && typ === undefined;
      if (slot === 'measure.accuracy' && isStretch) return null;
      return { typ: sized(typ), max: sized(max ?? (typ === undefined ? min : undefined)) };
    }
    case 'measure.range': {
      // "Maximum detectable illuminance" is an end of the range, in whichever column.
      const end = max ?? (min === undefined && /^(?:max|highest)/i.test(name) ? typ : undefined);
      if (end === undefined) return null;
      if (min === undefined) doubts.push(doubtThat('fromZero'));
      return { min: min ?? 0, max: end };
    }
    case 'measure.resolution':
      return { typ: typ ?? max ?? min };
    case 'port.clock':
      return { max: max ?? typ };
    case 'body.ambient':
      return min === undefined || max === undefined ? null : { min, typ, max };
    case 'logic.absoluteMax':
    case 'supply.absoluteMax': {
      const most = max ?? typ;
      // "VDD" alone may have lost its "+ 0.3" to the next line, and no pin stands less than a volt.
      if (slot === 'logic.absoluteMax' && (most === undefined || (unit === 'offset' ? most === 0 : most < 1)))
        doubts.push(doubtThat('moreInCell'));
      // A lower bound in volts and an upper one as an offset are two different figures: the upper one counts.
      return { min, max: most };
    }
    default:
      return { min, typ, max };
  }
}

const sized = (value: number | undefined) => (value === undefined ? undefined : Math.abs(value));

/** Of an accuracy: the stretch that it holds over, and what of it grows with the reading. */
function holdsOver(
  { slot, quantity }: Classified,
  bounds: Bounds,
  said: Said,
  { mark }: Reading,
): Pick<Draft, 'over' | 'ofReading'> {
  if (slot !== 'measure.accuracy') return {};
  const ofReading = bounds.ofReading ?? shareOfReading(said.said, mark);
  const over = quantity ? findRange(`${said.conditions} ; ${said.name}`, quantity.unit, mark) : null;
  return { ...(over ? { over } : {}), ...(ofReading === null ? {} : { ofReading }) };
}

const LOWER_IS_GROUND = /absoluteMax$|^logic\./;

function usualFor(slot: SlotId, unit: string, reading: Reading): Usual | null {
  const kind = FIGURE_OF_SLOT.get(slot);
  return kind ? usualByKind(kind.id, unit, reading.sensing) : null;
}

/** The words that a figure was read from. */
interface Said {
  readonly name: string;
  readonly conditions: string;
  readonly said: string;
  readonly box: Box;
}

/** @returns null where the bounds say nothing of the kind */
export function draftOf(
  classified: Classified,
  bounds: Bounds,
  said: Said,
  reading: Reading,
  yearly: boolean,
): Draft | null {
  const found = byBounds(classified, bounds);
  const { slot, quantity } = found;
  const doubts = [...bounds.doubts, ...(found.doubt ? [found.doubt] : [])];
  const unit =
    isMeasureSlot(slot) && quantity
      ? (slotOf(slot).units[0] ?? quantity.unit)
      : (bounds.unit ?? (slotOf(slot).units[0] === '1' ? '1' : ''));
  const given = [bounds.min, bounds.typ, bounds.max].filter((v) => v !== undefined);
  const { from, to } = slotOf(slot);
  if (given.some((v) => v < from || v > to)) doubts.push(doubtThat('size'));
  const usual = isMeasureSlot(slot) && slot !== 'measure.range' ? null : usualFor(slot, unit, reading);
  // The lower side of a rating, and that of a level, is ground.
  if (usual && given.length > 0 && isUnusual(usual, LOWER_IS_GROUND.test(slot) ? given.slice(-1) : given))
    doubts.push(doubtThat('unusual'));
  // Negative currents and levels are sometimes listed by size.
  if (given.some((v, i) => i > 0 && v < (given[i - 1] ?? v))) doubts.push(doubtThat('order'));
  // "VDD" alone may have lost its "− 0.4" to the next line.
  if (slot === 'logic.outputHigh' && unit === 'offset' && (bounds.min ?? bounds.typ) === 0)
    doubts.push(doubtThat('moreInCell'));
  const sides = sidesOf(slot, bounds, said.name, yearly, doubts);
  if (!sides) return null;
  const { min, typ, max } = sides;
  return {
    slot,
    ...(quantity ? { quantity } : {}),
    ...(min === undefined ? {} : { min }),
    ...(typ === undefined ? {} : { typ }),
    ...(max === undefined ? {} : { max }),
    unit,
    doubts,
    ...said,
    ...holdsOver(found, bounds, said, reading),
  };
}

/** "± (50 ppm + 5 % of reading)" -> 0.05 */
function shareOfReading(text: string, mark: DecimalMark): number | null {
  const match = /(\d+(?:[.,]\d+)?)\s*%\s*(?:of\s*)?(?:the\s*)?(?:reading|measured|m\.?v\.?|rdg|value)/i.exec(text);
  const value = match?.[1] ? readValue(match[1], mark)?.typ : undefined;
  return value === undefined ? null : scaled(value, 0.01);
}
