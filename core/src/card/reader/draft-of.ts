/** Bounds that were read and what they are of -> a draft of a proposal. */
import type { Message } from '../../quantity/message.ts';
import type { Classified, DocumentContext } from './classify.ts';
import { doubtThat } from './doubt.ts';
import type { DecimalMark } from './numbers.ts';
import type { Box } from './page.ts';
import type { Draft } from './proposal.ts';
import { isMeasureSlot, slotOf } from './slots.ts';
import { plainText, scaled } from './units.ts';
import { readValue } from './values.ts';

/** What a document tells about all of its rows. */
export interface Reading extends DocumentContext {
  readonly mark: DecimalMark;
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
  return found.slot === 'supply.absoluteMax' && isRange ? { slot: 'supply.range', doubt: doubtThat('hasUsual') } : found;
}

/** @returns null where the bounds say nothing of the kind */
export function draftOf(
  classified: Classified,
  bounds: Bounds,
  said: { name: string; conditions: string; said: string; box: Box },
  reading: Reading,
  yearly: boolean,
): Draft | null {
  const found = byBounds(classified, bounds);
  const { slot, quantity } = found;
  const doubts = [...bounds.doubts, ...(found.doubt ? [found.doubt] : [])];
  const unit = isMeasureSlot(slot) && quantity ? (slotOf(slot).units[0] ?? quantity.unit) : (bounds.unit ?? '');
  let { min, typ, max } = bounds;
  const put = (): Draft => ({
    slot,
    ...(quantity ? { quantity } : {}),
    ...(min === undefined ? {} : { min }),
    ...(typ === undefined ? {} : { typ }),
    ...(max === undefined ? {} : { max }),
    unit,
    doubts,
    ...said,
  });
  const { from, to } = slotOf(slot);
  const strange = [min, typ, max].some((v) => v !== undefined && (v < from || v > to));
  if (strange) doubts.push(doubtThat('size'));
  const ordered = [min, typ, max].filter((v) => v !== undefined);
  if (ordered.some((v, i) => i > 0 && v < (ordered[i - 1] ?? v))) {
    // Negative currents and levels are sometimes listed by size.
    doubts.push(doubtThat('order'));
  }
  // "VDD" alone may have lost its "− 0.4" to the next line.
  if (slot === 'logic.outputHigh' && unit === 'offset' && (min ?? typ) === 0) doubts.push(doubtThat('moreInCell'));
  switch (slot) {
    case 'measure.accuracy':
    case 'measure.drift': {
      if (slot === 'measure.drift' && !yearly) doubts.push(doubtThat('perYear'));
      const size = (v: number | undefined) => (v === undefined ? undefined : Math.abs(v));
      if (
        min !== undefined &&
        max !== undefined &&
        min >= 0 &&
        slot === 'measure.accuracy' &&
        !bounds.symmetric &&
        typ === undefined
      )
        return null;
      [min, typ, max] = [undefined, size(typ), size(max ?? (typ === undefined ? min : undefined))];
      const ofReading = slot === 'measure.accuracy' ? (bounds.ofReading ?? shareOfReading(said.said, reading.mark)) : null;
      const over =
        quantity && slot === 'measure.accuracy'
          ? findRange(`${said.conditions} ; ${said.name}`, quantity.unit, reading.mark)
          : null;
      return { ...put(), ...(over ? { over } : {}), ...(ofReading === null ? {} : { ofReading }) };
    }
    case 'measure.range':
      // "Maximum detectable illuminance" is an end of the range, in whichever column.
      if (min === undefined && max === undefined && typ !== undefined && /^(?:max|highest)/i.test(said.name)) max = typ;
      if (min === undefined && max !== undefined) min = 0;
      if (min === undefined || max === undefined) return null;
      typ = undefined;
      return put();
    case 'measure.resolution':
      typ ??= max ?? min;
      [min, max] = [undefined, undefined];
      return put();
    case 'port.clock':
      max ??= typ;
      [min, typ] = [undefined, undefined];
      return put();
    case 'body.ambient':
      return min === undefined || max === undefined ? null : { ...put() };
    case 'logic.absoluteMax':
    case 'supply.absoluteMax':
      max ??= typ;
      typ = undefined;
      // "VDD" alone may have lost its "+ 0.3" to the next line, and no pin stands less than a volt.
      if (slot === 'logic.absoluteMax' && (max === undefined || (unit === 'offset' ? max === 0 : max < 1)))
        doubts.push(doubtThat('moreInCell'));
      // A lower bound in volts and an upper one as an offset are two different figures: the upper one counts.
      return put();
    default:
      return put();
  }
}

/** "± (50 ppm + 5 % of reading)" -> 0.05 */
function shareOfReading(text: string, mark: DecimalMark): number | null {
  const match = /(\d+(?:[.,]\d+)?)\s*%\s*(?:of\s*)?(?:the\s*)?(?:reading|measured|m\.?v\.?|rdg|value)/i.exec(text);
  const value = match?.[1] ? readValue(match[1], mark)?.typ : undefined;
  return value === undefined ? null : scaled(value, 0.01);
}

