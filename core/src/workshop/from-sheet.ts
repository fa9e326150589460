/**
 * Figures that were read of a sheet, in a part that is being entered. Each goes to the question that it answers, as soon as there is
 * one: a level waits until the print says which lines there are.
 */
import type { Source } from '../card/figure.ts';
import type { Message } from '../quantity/message.ts';
import type { Answer } from './answers.ts';
import { treeOf } from './build.ts';
import { type Draft, withPrint } from './draft.ts';
import { lay, nowhere, type SheetFigure } from './lay-figure.ts';
import { exists } from './sheet-places.ts';

const UNSAID: Source = { kind: 'memory', title: '-' };

interface Laid {
  readonly draft: Draft;
  readonly figures: readonly SheetFigure[];
}

/** The draft with every figure that has a place, and where each went. Figures that went are not laid again, whatever became of them. */
export function withSheet(draft: Draft, figures: readonly SheetFigure[]): Laid {
  const begun = withMeasures(...withPins(draft, figures));
  let now = begun.draft;
  const laid = new Map<SheetFigure, SheetFigure>();
  // A range stands before its accuracy.
  const isRange = ({ figure }: SheetFigure) => (figure.slot === 'measure.range' ? 0 : 1);
  let { tree } = treeOf(now.answers, UNSAID);
  for (const one of [...begun.figures].sort((a, b) => isRange(a) - isRange(b))) {
    // A quantity that the maker took away does not come back.
    if (one.at.length > 0 && isOfQuantity(one)) continue;
    const there = one.at.filter((place) => exists(tree, place));
    const put = there.length > 0 && !isSpread(one) ? { draft: now, at: there } : lay(now, tree, { ...one, at: there });
    const isPut = !('topic' in put);
    if (isPut && put.draft !== now) {
      now = put.draft;
      ({ tree } = treeOf(now.answers, UNSAID));
    }
    laid.set(one, { ...one, at: isPut ? put.at : [] });
  }
  return { draft: now, figures: begun.figures.map((one) => laid.get(one) ?? one) };
}

/** One figure of all lines that are alike: it goes to those that come later, too. */
const isSpread = ({ figure }: SheetFigure): boolean =>
  /^(?:logic|measure\.(?:conversion|interval|warmUp))/.test(figure.slot);

const isOfQuantity = (one: SheetFigure): boolean => one.figure.slot.startsWith('measure.') && !isSpread(one);

/** Why a figure that went nowhere did not. */
export function whyWaiting(draft: Draft, one: SheetFigure): Message {
  const put = lay(draft, treeOf(draft.answers, UNSAID).tree, one);
  return 'topic' in put ? put : nowhere();
}

const isPin = ({ figure }: SheetFigure): boolean => figure.slot === 'terminal';
const PRINT = 'terminals';

/** Pins that were read are what is printed, while nobody has typed what is. */
function withPins(draft: Draft, figures: readonly SheetFigure[]): [Draft, readonly SheetFigure[]] {
  const pins = figures.filter((one) => isPin(one) && (one.figure.label ?? '') !== '');
  const isBlank = draft.headers.every(({ text }) => text.trim() === '');
  if (!isBlank || pins.length === 0 || pins.some(({ at }) => at.length > 0)) return [draft, figures];
  const byPosition = new Map<number, string>();
  for (const { figure } of pins) {
    const position = figure.typ ?? 0;
    // A second table of pins is of another package.
    if (!byPosition.has(position)) byPosition.set(position, (figure.label ?? '').replace(/[,|=:\n]/g, ' ').trim());
  }
  const labels = [...byPosition].sort(([a], [b]) => a - b).map(([, label]) => label);
  const text = labels.join(labels.some((label) => /\s/.test(label)) ? ', ' : ' ');
  const [first = { kind: 'male', text: '' }] = draft.headers;
  return [
    withPrint(draft, { headers: [{ ...first, text }] }),
    figures.map((one) => (isPin(one) ? { ...one, at: [PRINT] } : one)),
  ];
}

/** A quantity of which range and accuracy were taken is measured: without an accuracy a range alone proves nothing. */
function withMeasures(draft: Draft, figures: readonly SheetFigure[]): Laid {
  const said = draft.answers.get('measures')?.said ?? [];
  const rows = typeof said === 'string' ? [] : said;
  const known = new Set(rows.map(([quantity]) => quantity));
  const fresh = new Map<string, { unit: string; source: Source }>();
  const isRanged = (quantity: string) =>
    figures.some(
      ({ figure }) =>
        figure.quantity?.quantity === quantity &&
        (figure.slot === 'measure.range' || (figure.slot === 'measure.accuracy' && figure.over !== undefined)),
    );
  for (const { figure, source, at } of figures) {
    if (figure.slot !== 'measure.accuracy' || !figure.quantity || at.length > 0) continue;
    const { quantity, unit } = figure.quantity;
    if (!known.has(quantity) && isRanged(quantity)) fresh.set(quantity, { unit, source });
  }
  const [first] = [...fresh.values()];
  if (!first) return { draft, figures };
  const added = [...fresh].map(([quantity, { unit }]) => [quantity, unit]);
  const answer: Answer = { said: [...rows, ...added], source: draft.answers.get('measures')?.source ?? first.source };
  return { draft: { ...draft, answers: new Map([...draft.answers, ['measures', answer]]) }, figures };
}
