/** What stands at a spot of a page that a person points at, and what of a page was not read. */
import { quantityFor } from './classify.ts';
import { doubtThat } from './doubt.ts';
import type { Reading } from './draft-of.ts';
import { boxOf, type Box, type Word } from './page.ts';
import { passagesOf } from './passages.ts';
import { surenessOf, type Draft, type Proposal } from './proposal.ts';
import { readPage, type PageReading } from './read.ts';
import { linesOf, type Line } from './words.ts';
import { evenText, valuesIn } from './values.ts';

const overlaps = (a: Box, b: Box): boolean => a.x0 < b.x1 && a.x1 > b.x0 && a.y0 < b.y1 && a.y1 > b.y0;

/** The line at a spot, cut to its column: a click means the whole of it. */
function linesAt(page: PageReading, frame: Box): Line[] {
  return page.regions.flat().filter((line) => overlaps(boxOf(line.words), frame));
}

/** A value that is told by nothing but itself: what it is of has to be said. */
function bare(lines: readonly Line[], reading: Reading): Draft[] {
  const words = lines.flatMap((line) => line.words);
  const text = evenText(words.map((word) => word.text).join(' '));
  return valuesIn(text, reading.mark).map(({ from, to, min, typ, max, unit, symmetric }) => ({
    ...whatOf(unit, symmetric, text, reading),
    ...(min === undefined ? {} : { min }),
    ...(typ === undefined ? {} : { typ }),
    ...(max === undefined ? {} : { max }),
    unit: unit ?? '',
    conditions: '',
    name: text.slice(0, from).slice(-60).trim(),
    said: text.slice(0, 300),
    box: boxOf(wordsOf(words, text.slice(from, to))),
    doubts: [doubtThat('whatOf')],
    weak: true,
  }));
}

/** Of a bare value the unit alone says what it may be of; a maker says the rest. */
function whatOf(
  unit: string | null,
  symmetric: boolean,
  text: string,
  reading: Reading,
): Pick<Draft, 'slot' | 'quantity'> {
  const slot = unit === null ? undefined : BY_UNIT[unit];
  if (slot && !symmetric) return { slot };
  const of = unit === null ? null : quantityFor(unit, text, '', reading);
  return of
    ? { slot: symmetric ? 'measure.accuracy' : 'measure.range', quantity: of.quantity }
    : { slot: slot ?? 'supply.range' };
}

const BY_UNIT: Readonly<Record<string, Draft['slot']>> = {
  V: 'supply.range',
  A: 'supply.active',
  Hz: 'port.clock',
  '°C': 'body.ambient',
  s: 'measure.conversion',
  Ω: 'logic.pullUp',
  F: 'logic.capacitance',
  share: 'logic.inputHigh',
  offset: 'logic.inputHigh',
};

function wordsOf(words: readonly Word[], said: string): readonly Word[] {
  const numbers = said.match(/\d+(?:[.,]\d+)*/g) ?? [];
  const found = words.filter(({ text }) => numbers.some((number) => text.includes(number)));
  return found.length > 0 ? found : words;
}

/**
 * What a person points at: what the reader makes of those words by themselves, or the bare values that stand there.
 * @param frame in points of the page; a click is a frame of no size
 * @param known proposals that are there already, which are not proposed again
 */
export function proposalsAt(page: PageReading, frame: Box, reading: Reading, known: readonly Proposal[]): Proposal[] {
  const whole = readPage(page, reading).drafts.filter(({ box }) => overlaps(box, frame));
  const lines = linesAt(page, frame);
  // A frame is read by itself; of a line only what stands in it.
  const inside = lines
    .map((line) => line.words.filter((word) => overlaps(word, frame)))
    .filter((words) => words.length > 0);
  const alone = readPage({ ...page, regions: [linesOf(inside.flat())], rulings: [] }, reading).drafts;
  const drafts = [...whole, ...alone, ...bare(lines, reading).filter(({ box }) => overlaps(box, frame))];
  const key = (one: Pick<Draft, 'slot' | 'min' | 'typ' | 'max'>) => [one.slot, one.min, one.typ, one.max].join('|');
  const seen = new Set(known.filter((one) => one.page === page.page).map(key));
  return drafts.flatMap((draft, i) => {
    if (seen.has(key(draft))) return [];
    seen.add(key(draft));
    const { weak = false, ...rest } = draft;
    return [
      {
        ...rest,
        page: page.page,
        id: `at ${page.page} ${frame.x0} ${frame.y0} ${i}`,
        sureness: surenessOf(rest.doubts, weak),
      },
    ];
  });
}

/** Where values with a unit stand on a page that no proposal was read from. */
export function unreadOf(page: PageReading, reading: Reading, proposals: readonly Proposal[]): Box[] {
  const read = proposals.filter((one) => one.page === page.page).map(({ box }) => box);
  return page.regions.flatMap((lines) =>
    passagesOf(lines, () => false).flatMap((passage) => {
      const text = evenText(passage.text);
      return valuesIn(text, reading.mark)
        .map(({ from, to }) => boxOf(wordsOf(passage.words, text.slice(from, to))))
        .filter((box) => !read.some((other) => overlaps(other, box)));
    }),
  );
}
