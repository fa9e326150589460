/** Ways through a card. A place names one figure, "supplies/vcc/range"; its kind has "*" for each entry of a list. */
import { quantityOf, type Quantity, type Text, wordOf } from '../quantity/message.ts';
import type { Card } from './card.ts';
import { FIGURE_IDS, type FigureId } from './figures.ts';
import { quantityName } from './quantities.ts';

/** What the entries on the way are called, for the words of a figure. */
export interface Names {
  /** The supply, signal, port, measure … that the figure is of. */
  readonly of: Text;
  /** The entry of a list inside of that: a stage, a clock, an address. */
  readonly sub: Text | Quantity | number;
  /** The stretch that an accuracy holds over. */
  readonly from: number;
  readonly to: number;
}

/** Names, and the unit of the measure that the way leads through. */
interface OnTheWay extends Names {
  readonly unit: string;
}

const NOTHING: OnTheWay = { of: '', sub: '', from: 0, to: 0, unit: '' };

const field = (item: unknown, name: string): unknown =>
  typeof item === 'object' && item !== null ? Reflect.get(item, name) : undefined;
const text = (item: unknown, name: string): string => String(field(item, name));
const number = (item: unknown, name: string): number => Number(field(item, name));

/** By list: what tells its entries apart, and what they are called. */
const ENTRIES: Readonly<
  Record<string, { key: (item: unknown) => string; names: (item: unknown) => Partial<OnTheWay> }>
> = {
  measures: {
    key: (item) => text(item, 'quantity'),
    names: (item) => ({ of: quantityName(text(item, 'quantity')), unit: text(item, 'unit') }),
  },
  accuracy: {
    key: (item) => `${text(item, 'from')}–${text(item, 'to')}`,
    names: (item) => ({ from: number(item, 'from'), to: number(item, 'to') }),
  },
  coarser: { key: (item) => text(item, 'bits'), names: (item) => ({ sub: number(item, 'bits') }) },
  stages: { key: (item) => text(item, 'name'), names: (item) => ({ sub: wordOf('doing', text(item, 'name')) }) },
  clocks: {
    key: (item) => text(item, 'frequency'),
    names: (item) => ({ sub: quantityOf(number(item, 'frequency'), 'Hz') }),
  },
  addresses: { key: (item) => text(item, 'value'), names: (item) => ({ sub: text(item, 'setting') }) },
  identity: { key: (item) => text(item, 'register'), names: (item) => ({ sub: number(item, 'register') }) },
  pins: { key: (item) => text(item, 'terminal'), names: (item) => ({ of: text(item, 'terminal') }) },
  rails: { key: (item) => text(item, 'id'), names: (item) => ({ of: text(item, 'name') }) },
  currentGroups: { key: (item) => text(item, 'id'), names: (item) => ({ of: text(item, 'name') }) },
  pwmGroups: { key: (item) => text(item, 'id'), names: (item) => ({ of: text(item, 'name') }) },
};
const BY_ID = { key: (item: unknown) => text(item, 'id'), names: (item: unknown) => ({ of: text(item, 'id') }) };
const entriesOf = (list: string | undefined) => ENTRIES[list ?? ''] ?? BY_ID;
/**
 * What tells the entries of a list apart. A quantity may have a stroke in its name, which would part the steps of a place.
 * @param list "supplies", "stages"
 */
export const entryKey = (list: string | undefined, item: unknown): string =>
  entriesOf(list).key(item).replaceAll('/', '\u2215');

interface Step {
  readonly name: string;
  id?: FigureId;
  readonly next: Step[];
}

/** The kinds of figures as a tree, so that what belongs to one entry of a list stays together. */
const TREE: Step = { name: '', next: [] };
for (const id of FIGURE_IDS) {
  let at = TREE;
  for (const name of id.split('/')) {
    const known = at.next.find((step) => step.name === name) ?? { name, next: [] };
    if (!at.next.includes(known)) at.next.push(known);
    at = known;
  }
  at.id = id;
}

export interface Found extends OnTheWay {
  readonly id: FigureId;
  readonly place: string;
  /** What stands there. */
  readonly value: unknown;
  /** What it stands in. */
  readonly holder: unknown;
}

/** Everything that stands at the place of a figure. @param card whole, or what is known of it */
export function standing(card: unknown): Found[] {
  const out: Found[] = [];
  const walk = (step: Step, value: unknown, holder: unknown, place: readonly string[], names: OnTheWay): void => {
    if (value === undefined) return;
    if (step.id) out.push({ ...names, id: step.id, place: place.join('/'), value, holder });
    for (const next of step.next) {
      if (next.name !== '*') walk(next, field(value, next.name), value, [...place, next.name], names);
      else if (Array.isArray(value)) {
        const list = place.at(-1);
        const { names: called } = entriesOf(list);
        for (const item of value as unknown[])
          walk(next, item, value, [...place, entryKey(list, item)], { ...names, ...called(item) });
      }
    }
  };
  walk(TREE, card, undefined, [], NOTHING);
  return out;
}

/** The kind of figure that a place is one of; undefined of a place where none can be. */
export function kindAt(place: string): FigureId | undefined {
  let steps: Step[] = [TREE];
  for (const name of place.split('/'))
    steps = steps.flatMap(({ next }) => next.filter((s) => s.name === name || s.name === '*'));
  return steps.find(({ id }) => id)?.id;
}

/** The place of a kind of figure in one supply, signal, port …; a kind that is there once has but one. */
export const placeOf = (id: FigureId, of: string): string => id.replace('*', of);
/** What the first entry on the way to a place is called by: the supply, signal, port …; nothing of a figure that is there once. */
export const ownerOfPlace = (id: FigureId, place: string): string => {
  const at = id.split('/').indexOf('*');
  return at < 0 ? '' : (place.split('/')[at] ?? '');
};

/** What the entry of a list on the way to a figure is called. */
export function namesAt(card: unknown, id: FigureId, of: string): Names {
  const list = id.split('/')[0] ?? '';
  const entries = entriesOf(list);
  const all = field(card, list);
  const item = Array.isArray(all) ? (all as unknown[]).find((entry) => entryKey(list, entry) === of) : undefined;
  return { ...NOTHING, ...(item === undefined ? {} : entries.names(item)) };
}

/**
 * The card with something else at a place; null where the way ends before it. A body that is not there is made.
 * @param change what stands there (undefined where nothing does) -> what is to
 */
export function rewrite(card: Card, place: string, change: (value: unknown) => unknown): Card | null {
  const steps = place.split('/');
  const put = (node: unknown, depth: number): unknown => {
    const step = steps[depth];
    if (step === undefined) return change(node);
    if (Array.isArray(node)) {
      const list = steps[depth - 1];
      const at = (node as unknown[]).findIndex((item) => entryKey(list, item) === step);
      const changed = at < 0 ? undefined : put(node[at], depth + 1);
      return changed === undefined ? undefined : (node as unknown[]).map((item, i) => (i === at ? changed : item));
    }
    const there = node === undefined && steps[depth - 1] === 'body' ? {} : node;
    if (typeof there !== 'object' || there === null) return undefined;
    const changed = put(Reflect.get(there, step), depth + 1);
    return changed === undefined ? undefined : { ...there, [step]: changed };
  };
  // The schema reads what comes of it: `Card` is what goes in and out of here.
  return (put(card, 0) as Card | undefined) ?? null;
}
