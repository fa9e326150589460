/** One figure of a sheet into a part that is being entered: to the question that it answers, as it would be typed there. */
import { bareBound } from '../card/bare-bound.ts';
import { type FigureId, FIGURE_OF_SLOT, figureKind } from '../card/figures.ts';
import type { Source } from '../card/figure.ts';
import { quantityName } from '../card/quantities.ts';
import type { Accepted } from '../card/reader/proposal.ts';
import { type Message, tells, type Text } from '../quantity/message.ts';
import { ReadError } from '../quantity/read-error.ts';
import { type Answer, readFigureAt } from './answers.ts';
import { withSource } from './besides.ts';
import type { Draft } from './draft.ts';
import { type SaidFigure, writeFigure, writeValue } from './figure-text.ts';
import type { Json } from './form.ts';
import { placesFor, thingsIn } from './sheet-places.ts';
import { accuracyRows, addressRow, identityRow } from './sheet-rows.ts';
import { placesOf, type Tree, valueAt, wordAt } from './tree.ts';

/** A figure of a sheet that a person took. */
export interface SheetFigure {
  readonly figure: Accepted;
  readonly source: Source;
  /** Where it went; none while nothing asks for it. What the maker made of it there is theirs. */
  readonly at: readonly string[];
}

/** Why a figure waits. */
export interface FromSheetSays {
  noSupply: null;
  noRail: null;
  noSignal: null;
  noSharedLine: null;
  noBus: null;
  noPort: null;
  noValue: null;
  noQuantity: null;
  noAccuracy: { quantity: Text };
  noRange: { quantity: Text };
  sizeIncomplete: null;
  printedAlready: null;
  /** Another figure of the sheet. */
  standsAlready: { says: string };
  noPlace: null;
}
const tell = tells<FromSheetSays>('workshop/from-sheet');
export const nowhere = (): Message => tell('noPlace');

type Put = { readonly draft: Draft; readonly at: readonly string[] };

/** @returns the draft with the figure and where it went, or why it waits */
export function lay(draft: Draft, tree: Tree, one: SheetFigure): Put | Message {
  const { figure } = one;
  switch (figure.slot) {
    case 'terminal':
      return tell('printedAlready');
    case 'body.size':
      return laySize(draft, one);
    case 'logic.analog':
      return layAnalog(draft, tree, one);
    case 'measure.accuracy':
      return layAccuracy(draft, tree, one);
    case 'port.address':
    case 'port.identity':
      return layWord(draft, tree, one);
    default:
      return layPlain(draft, tree, one);
  }
}

const NOTHING_TO_FILL = [
  ['supply', 'noSupply'],
  ['rail', 'noRail'],
  ['cells', 'noRail'],
  ['light', 'noPort'],
  ['port.address', 'noBus'],
  ['port.identity', 'noBus'],
  ['port.clock', 'noBus'],
  ['logic.pullUp', 'noSharedLine'],
  ['logic', 'noSignal'],
  ['port', 'noPort'],
  ['measure', 'noQuantity'],
] as const;
const nothingFor = (slot: string): Message =>
  tell(NOTHING_TO_FILL.find(([group]) => slot.startsWith(group))?.[1] ?? 'noPlace');

function layPlain(draft: Draft, tree: Tree, { figure, source, at }: SheetFigure): Put | Message {
  const found = placesFor(draft.cls, tree, figure);
  if (!found || found.places.length === 0)
    return figure.slot === 'measure.range' && figure.quantity
      ? tell('noAccuracy', { quantity: quantityName(figure.quantity.quantity) })
      : figure.slot.startsWith('measure.') && figure.quantity
        ? tell('noRange', { quantity: quantityName(figure.quantity.quantity) })
        : nothingFor(figure.slot);
  const { id } = found;
  const places = found.places.filter((place) => !at.includes(place));
  if (places.length === 0) return { draft, at };
  const text = figureText(id, figure);
  if (text === null) return tell('noValue');
  const put = answered(draft, id, places, { said: text, source });
  if ('topic' in put) return put;
  const next = figure.slot === 'logic.pullUp' ? withPullTo(put.draft, places) : put.draft;
  return { draft: next, at: [...at, ...places] };
}

/** As it would be typed; null where that cannot be read again. */
function figureText(id: FigureId, { min, typ, max, unit, conditions }: Accepted): string | null {
  const { keep = 'figure', units } = figureKind(id);
  const bounds = {
    ...(min === undefined ? {} : { min }),
    ...(typ === undefined ? {} : { typ }),
    ...(max === undefined ? {} : { max }),
  };
  const [own = '1'] = units;
  const value = max ?? typ ?? min;
  if (value === undefined) return null;
  const condition = conditions.replace(/\s+/g, ' ').trim().slice(0, 160);
  const text =
    keep === 'figure'
      ? writeFigure(
          { ...bounds, unit, ...(condition === '' ? {} : { conditions: condition }) },
          units,
          bareBound(id) !== null,
        )
      : keep === 'range'
        ? writeFigure({ ...bounds, unit: own }, [own])
        : writeValue(value, own);
  return readBack(id, text) === null ? null : text;
}

function readBack(id: FigureId, text: string): Json | null {
  try {
    return readFigureAt(id, text);
  } catch (error) {
    if (error instanceof ReadError) return null;
    throw error;
  }
}

const isSameSheet = (one: Source | undefined, other: Source | undefined): boolean =>
  one !== undefined && one.kind === other?.kind && one.title === other.title;

/** The draft with an answer at places. Two figures of one sheet make one where each says a bound that the other does not. */
function answered(draft: Draft, id: FigureId, places: readonly string[], answer: Answer): Put | Message {
  const [first = ''] = places;
  const known = draft.answers.get(first);
  if (known && isSameSheet(known.source, answer.source)) {
    if (known.said === answer.said) return { draft, at: places };
    const whole = joined(id, String(known.said), String(answer.said));
    if (whole === null) return tell('standsAlready', { says: String(known.said) });
    return { draft: withSource(draft, { places }, { ...known, said: whole }), at: places };
  }
  return { draft: withSource(draft, { places }, answer), at: places };
}

/** Two halves of one figure as one; null where both say the same bound, or in other units. */
function joined(id: FigureId, one: string, other: string): string | null {
  const { keep = 'figure', units } = figureKind(id);
  const [a, b] = [readBack(id, one), readBack(id, other)];
  if (keep !== 'figure' || a === null || b === null || valueAt(a, 'unit') !== valueAt(b, 'unit')) return null;
  const bounds = ['min', 'typ', 'max'].map((bound) => [bound, valueAt(a, bound), valueAt(b, bound)] as const);
  if (bounds.some(([, left, right]) => left !== undefined && right !== undefined)) return null;
  return writeFigure({ ...(a as object), ...(b as object) } as SaidFigure, units, bareBound(id) !== null);
}

/** A fitted pull-up goes to the supply until somebody says otherwise. */
function withPullTo(draft: Draft, places: readonly string[]): Draft {
  const rows = draft.answers.get('supplies')?.said ?? [];
  const supply = typeof rows === 'string' ? undefined : rows[0]?.[0];
  if (supply === undefined) return draft;
  const to = places.map((place) => place.replace(/value$/, 'to')).filter((place) => !draft.answers.has(place));
  return { ...draft, answers: new Map([...draft.answers, ...to.map((place) => [place, { said: supply }] as const)]) };
}

/** Two ends of one output: where it stands at the lower end of what is measured, and at the upper. */
function layAnalog(draft: Draft, tree: Tree, { figure, source }: SheetFigure): Put | Message {
  const { measures } = thingsIn(tree);
  const ends = [
    ['low', figure.min],
    ['high', figure.max],
  ] as const;
  if (measures.length === 0) return tell('noQuantity');
  if (ends.some(([, value]) => value === undefined)) return tell('noValue');
  const said = ends.flatMap(([end, value]) =>
    measures.map(({ quantity }) => [`measures/${quantity}/analog/${end}`, writeValue(value ?? 0, 'V')] as const),
  );
  const next = said.reduce((all, [place, text]) => withSource(all, { places: [place] }, { said: text, source }), draft);
  return { draft: next, at: said.map(([place]) => place) };
}

const SIDES = ['length', 'width', 'height'] as const;

function laySize(draft: Draft, { figure, source }: SheetFigure): Put | Message {
  const size = figure.size ?? [];
  if (size.length < 2) return tell('sizeIncomplete');
  const at = SIDES.slice(0, size.length).map((side) => `body/size/${side}`);
  const known = draft.answers.get(at[0] ?? '');
  if (known && isSameSheet(known.source, source)) return tell('standsAlready', { says: String(known.said) });
  const next = at.reduce(
    (all, place, i) => withSource(all, { places: [place] }, { said: writeValue(size[i] ?? 0, 'm'), source }),
    draft,
  );
  return { draft: next, at };
}

/** The rows of a table with some more; those that stand there already are not written again. */
function withRows(draft: Draft, place: string, rows: readonly (readonly string[])[], source: Source): Put {
  const known = draft.answers.get(place);
  const before = !known || typeof known.said === 'string' ? [] : known.said;
  const fresh = rows.filter((row) => !before.some((one) => JSON.stringify(one) === JSON.stringify(row)));
  const answer: Answer = { said: [...before, ...fresh], source: known?.source ?? source };
  return { draft: { ...draft, answers: new Map([...draft.answers, [place, answer]]) }, at: [place] };
}

function layAccuracy(draft: Draft, tree: Tree, { figure, source }: SheetFigure): Put | Message {
  const [quantity] = figure.quantity ? [figure.quantity.quantity] : thingsIn(tree).measures.map((one) => one.quantity);
  if (quantity === undefined) return tell('noQuantity');
  const measure = placesOf(tree, 'measures/*').find(({ value }) => wordAt(value, 'quantity') === quantity);
  if (!measure) return tell('noRange', { quantity: quantityName(quantity) });
  const range = valueAt(measure.value, 'range');
  const [from, to] = [valueAt(range, 'from'), valueAt(range, 'to')];
  const over = figure.over ?? (typeof from === 'number' && typeof to === 'number' ? { from, to } : null);
  if (!over) return tell('noRange', { quantity: quantityName(quantity) });
  return withRows(draft, `${measure.place}/accuracy`, accuracyRows(figure, over), source);
}

/** Addresses and words of identification are lists that each one adds to. */
function layWord(draft: Draft, tree: Tree, { figure, source }: SheetFigure): Put | Message {
  const bus = FIGURE_OF_SLOT.get(figure.slot)?.slot.into(thingsIn(tree), undefined)[0];
  if (bus === undefined) return tell('noBus');
  const row = figure.slot === 'port.address' ? addressRow(figure) : identityRow(figure);
  if (!row) return tell('noValue');
  return withRows(
    draft,
    figure.slot === 'port.address' ? `ports/${bus}/addresses` : `ports/${bus}/identity`,
    [row],
    source,
  );
}
