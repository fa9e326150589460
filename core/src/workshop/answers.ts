/** A card as answers, both ways: each thing that it says as it is typed, by its place. */
import { type FigureId, figureKind, FIGURE_IDS } from '../card/figures.ts';
import type { Card } from '../card/card.ts';
import type { Source } from '../card/figure.ts';
import { standing } from '../card/path.ts';
import { FACT_IDS, type FactId, factAt } from './facts.ts';
import type { Table } from './facts/kind.ts';
import { bareBound } from '../card/bare-bound.ts';
import { asBound, readFigure, readValue, writeFigure, writeValue } from './figure-text.ts';
import { type Json, readAnswer, writeAnswer } from './form.ts';
import { placesOf, valueAt } from './tree.ts';

export interface Answer {
  /** As it is typed; of a table its cells, row by row, blank where nothing is said. */
  readonly said: string | readonly (readonly string[])[];
  readonly source?: Source;
}

/** By place: "supplies/vcc/range". */
export type Answers = ReadonlyMap<string, Answer>;

/** Figures that a table asks for, or that are asked for as another thing. */
const IN_TABLES: ReadonlySet<FigureId> = new Set(
  FIGURE_IDS.filter((id) =>
    FACT_IDS.some((fact) => {
      const row = factAt(fact);
      return 'form' in row ? fact === id : Object.keys(row.rows).some((column) => `${fact}/*/${column}` === id);
    }),
  ),
);
export const isAskedAlone = (id: FigureId): boolean => !IN_TABLES.has(id);

export const readTable = (table: Table, rows: readonly (readonly string[])[]): Json => {
  const columns = Object.entries(table.rows);
  const entries = rows.map((cells) => {
    let entry: Record<string, Json> = { ...table.blank };
    columns.forEach(([place, form], i) => {
      const said = cells[i]?.trim() ?? '';
      if (said !== '') entry = placed(entry, place.split('/'), readAnswer(form, said));
    });
    return entry;
  });
  if (!table.named) return entries;
  const named: Record<string, Record<string, Json>> = {};
  const [outer = '', inner = '', what = ''] = columns.map(([place]) => place);
  for (const entry of entries) {
    const of = textAt(entry, outer);
    named[of] = { ...named[of], [textAt(entry, inner)]: entry[what] ?? null };
  }
  return named;
};

const textAt = (entry: Record<string, Json>, column: string): string => {
  const cell = entry[column];
  return typeof cell === 'string' ? cell : '';
};

function placed(
  entry: Record<string, Json>,
  [step = '', ...rest]: readonly string[],
  value: Json,
): Record<string, Json> {
  if (rest.length === 0) return { ...entry, [step]: value };
  return { ...entry, [step]: placed((entry[step] ?? {}) as Record<string, Json>, rest, value) };
}

function writeTable(table: Table, value: Json): string[][] {
  const columns = Object.entries(table.rows);
  const entries: readonly Json[] = table.named
    ? Object.entries(value as Record<string, Record<string, Json>>).flatMap(([outer, inner]) =>
        Object.entries(inner).map(([name, what]) =>
          Object.fromEntries(columns.map(([place], i) => [place, [outer, name, what][i] ?? null])),
        ),
      )
    : (value as readonly Json[]);
  return entries.map((entry) =>
    columns.map(([place, form]) => {
      const at = valueAt(entry, place);
      return at === undefined ? '' : writeAnswer(form, at);
    }),
  );
}

/** Reads what was typed of a figure into what stands in the card. @throws ReadError what was expected */
export function readFigureAt(id: FigureId, said: string): Json {
  const { keep = 'figure', units } = figureKind(id);
  // Three cells say which bound is which.
  if (keep === 'figure')
    return { ...(said.includes(' / ') ? readFigure(said, units) : asBound(id, readFigure(said, units))) };
  const [unit = '1'] = units;
  if (keep !== 'range') return readValue(said, unit);
  const { min, max } = readFigure(said, [unit]);
  return { ...(min === undefined ? {} : { from: min }), ...(max === undefined ? {} : { to: max }) };
}

function writeFigureAt(id: FigureId, value: Json): string {
  const { keep = 'figure', units } = figureKind(id);
  const [unit = '1'] = units;
  if (keep === 'figure') return writeFigure(value as never, units, bareBound(id) !== null);
  if (keep !== 'range') return writeValue(Number(value), unit);
  const { from, to } = value as { from: number; to: number };
  return writeFigure({ min: from, max: to, unit }, [unit]);
}

/** Everything that a card says, as answers. */
export function answersOf(card: Card): Map<string, Answer> {
  const found = new Map<string, Answer>();
  const known = (key: unknown): { source?: Source } => {
    const source = typeof key === 'string' ? card.sources[key] : undefined;
    return source ? { source } : {};
  };
  const put = (id: FactId) => {
    const fact = factAt(id);
    for (const { place, value } of placesOf(card, id)) {
      // A list without entries says nothing.
      if (value === undefined || (Array.isArray(value) && value.length === 0)) continue;
      const said = 'form' in fact ? writeAnswer(fact.form, value) : writeTable(fact, value);
      found.set(place, { said, ...known(sourceIn(card, place)) });
    }
  };
  for (const id of FACT_IDS) put(id);
  for (const { id, place, value, holder } of standing(card))
    if (isAskedAlone(id))
      found.set(place, {
        said: writeFigureAt(id, value as Json),
        ...known(valueAt(value, 'source') ?? valueAt(holder, 'source')),
      });
  return found;
}

/** The source that is nearest to a place: of what stands there, of its first entry, or of what it stands in. */
function sourceIn(card: Card, place: string): Json | undefined {
  const steps = place.split('/');
  for (let end = steps.length; end > 0; end--) {
    const [found] = placesOf(card, steps.slice(0, end).join('/'));
    const at = Array.isArray(found?.value) ? (found.value as readonly Json[])[0] : found?.value;
    const source = valueAt(at, 'source');
    if (source !== undefined) return source;
  }
  return undefined;
}
