/** Where figures of a sheet go in a part that is being entered. */
import { type FigureId, FIGURE_IDS, FIGURE_OF_SLOT } from '../card/figures.ts';
import type { Things } from '../card/figures/kind.ts';
import { entryKey, placeOf } from '../card/path.ts';
import type { Accepted } from '../card/reader/proposal.ts';
import type { ClassId } from '../card/part-class.ts';
import { classOf } from './classes.ts';
import type { Json } from './form.ts';
import { placesOf, type Tree, valueAt, wordAt } from './tree.ts';

/** Whether a place is there: the supply, line or port that it is of. */
export function exists(tree: Tree, place: string): boolean {
  const [list = '', id] = place.split('/');
  const entries = tree[list];
  return !Array.isArray(entries) || id === undefined || (entries as Json[]).some((item) => entryKey(list, item) === id);
}

/** What there is for figures to go to. */
export function thingsIn(tree: Tree): Things {
  const all = (list: string) => placesOf(tree, `${list}/*`).map(({ value }) => value);
  const withId = (list: string) => all(list).map((node) => ({ id: wordAt(node, 'id') }));
  return {
    supplies: withId('supplies'),
    rails: withId('rails'),
    signals: all('signals').map((node) => ({ id: wordAt(node, 'id'), kind: wordAt(node, 'kind') })),
    ports: all('ports').map((node) => ({
      id: wordAt(node, 'id'),
      protocol: wordAt(node, 'protocol'),
      lines: (valueAt(node, 'lines') ?? {}) as Readonly<Record<string, string>>,
    })),
    measures: all('measures').map((node) => ({ quantity: wordAt(node, 'quantity') })),
  };
}

/** Rooms of a card that a class has or has not. */
const OF_ONE_KIND: ReadonlySet<string> = new Set(['driver', 'diode', 'contact', 'cable', 'charger', 'controller']);

/** All lines of a controller are alike: their levels are said once. */
const onController = (id: FigureId): FigureId | undefined =>
  FIGURE_IDS.find((one) => one === id.replace('signals/*', 'controller/io'));

/** The places of a slot in what is there so far; each with the kind of figure that stands there. */
export function placesFor(
  cls: ClassId,
  tree: Tree,
  { slot, quantity }: Accepted,
): { id: FigureId; places: string[] } | null {
  const row = FIGURE_OF_SLOT.get(slot);
  if (!row) return null;
  const io = cls === 'controller' ? onController(row.id) : undefined;
  if (io && io !== row.id) return { id: io, places: [io] };
  // What only parts of one kind have goes to those.
  const [room = ''] = row.id.split('/');
  if (OF_ONE_KIND.has(room) && !classOf(cls).asks.some((ask) => ask.startsWith(`${room}/`))) return null;
  const things = thingsIn(tree);
  const measured = things.measures.map((measure) => measure.quantity);
  const owners = row.slot
    .into(things, quantity?.quantity)
    .filter((of) => !row.id.startsWith('measures/') || measured.includes(of));
  return { id: row.id, places: owners.map((of) => placeOf(row.id, of)) };
}
