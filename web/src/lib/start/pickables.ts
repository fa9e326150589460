/** What a build can be picked to do: every quantity that a card measures, every service, every load, each with its drawing. */
import type { Card, Library } from '@idle-breadboard/core/card';
import type { Pick, ServeKind } from '@idle-breadboard/core/solve';
import { classFor } from '@idle-breadboard/core/workshop';
import { CLASS_DRAWINGS } from '../kit/class-drawings';

export const GROUPS = ['sense', 'show', 'drive', 'operate'] as const;
type Group = (typeof GROUPS)[number];

export interface Pickable {
  readonly id: string;
  readonly group: Group;
  readonly name: string;
  /** Where it stands on the list of what is often wanted. */
  readonly rank: number;
  /** How many cards do it. */
  readonly cards: number;
  readonly drawing: string;
  /** Further words that find it. */
  readonly words: string;
  readonly pick: (place: string) => Pick;
}

/** Typed with a load, it asks for a contact. */
export const RELAY = 'relay';

/** How each service is asked for, and what one would call it. */
const SERVICES: Readonly<Record<string, readonly [ServeKind, string]>> = {
  text: ['show', 'readings as text'],
  pictures: ['show', 'pictures'],
  light: ['show', 'a status light'],
  'colour light': ['show', 'colour lights'],
  sound: ['show', 'a sound'],
  'clock time': ['show', 'the time of day'],
  radio: ['show', 'readings far away, by radio'],
  button: ['operate', 'a push button'],
  knob: ['operate', 'a knob'],
  contact: ['operate', 'a door or lid contact'],
};

const drawingOf = (cards: readonly Card[]): string => (cards[0] ? CLASS_DRAWINGS[classFor(cards[0])] : '');
const wordsOf = (cards: readonly Card[]): string => cards.map((card) => `${card.name} ${card.class}`).join(' ');

function senses(all: readonly Card[]): Pickable[] {
  const asked = new Map(
    all.flatMap(({ measures }) => measures.map(({ quantity, unit }) => [quantity, { quantity, unit }] as const)),
  );
  return [...asked.values()].map(({ quantity, unit }) => {
    const cards = all.filter(({ measures }) => measures.some((measure) => measure.quantity === quantity));
    return {
      id: `sense ${quantity}`,
      group: 'sense',
      name: quantity,
      // What many parts measure is often wanted.
      rank: -cards.length,
      cards: cards.length,
      // Of those that measure nothing else, the first: a humidity board is drawn for humidity.
      drawing: drawingOf(cards.toSorted((a, b) => a.measures.length - b.measures.length)),
      words: wordsOf(cards),
      pick: (place) => ({ kind: 'sense', quantity, unit, place }),
    };
  });
}

function services(all: readonly Card[]): Pickable[] {
  return Object.entries(SERVICES).flatMap(([id, [kind, name]], rank) => {
    const service = all.flatMap(({ serves }) => serves ?? []).find((one) => one === id);
    const cards = all.filter(({ serves }) => service && serves?.includes(service));
    if (!service) return [];
    return [
      {
        id: `serve ${id}`,
        group: kind,
        name,
        rank,
        cards: cards.length,
        drawing: drawingOf(cards),
        words: wordsOf(cards),
        pick: (place) => ({ kind, service, place }),
      } satisfies Pickable,
    ];
  });
}

/** What turns, blows or pulls: things with a coil that something has to switch. */
const loads = (all: readonly Card[]): Pickable[] =>
  all
    .filter(
      ({ ports, driver, contact, offers }) =>
        !driver &&
        !contact &&
        offers.length > 0 &&
        ports.length > 0 &&
        ports.every(({ protocol }) => protocol === 'coil'),
    )
    .map((card, rank) => ({
      id: `load ${card.id}`,
      group: 'drive',
      name: card.class,
      rank,
      cards: 1,
      drawing: drawingOf([card]),
      words: `${card.name} ${RELAY}`,
      pick: (place) => ({ kind: 'load', card: card.id, place, by: 'any' }),
    }));

/** Everything that can be picked, by group and by how often it is wanted. */
export function pickables(library: Library): readonly Pickable[] {
  const all = [...library.values()];
  return [...senses(all), ...services(all), ...loads(all)].sort(
    (a, b) => GROUPS.indexOf(a.group) - GROUPS.indexOf(b.group) || a.rank - b.rank,
  );
}

/** Those that all the words find: first those whose name begins with the first of them, then those whose name has it. */
export function found(offered: readonly Pickable[], search: string): readonly Pickable[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const [first = ''] = words;
  const worth = ({ name }: Pickable): number =>
    name
      .toLowerCase()
      .split(' ')
      .some((word) => word.startsWith(first))
      ? 0
      : name.toLowerCase().includes(first)
        ? 1
        : 2;
  const hits = offered.filter((one) => words.every((word) => `${one.name} ${one.words}`.toLowerCase().includes(word)));
  return first === '' ? hits : hits.toSorted((a, b) => worth(a) - worth(b));
}
