/**
 * A circuit that notes what of it is read, and what is different between two: a result holds for as long as nothing that was read for it is
 * different. The names of what can be read are made here and nowhere else.
 */
import { noteRead, noting, unnoted } from '../quantity/reads.ts';
import { perKey, perOwner } from '../quantity/memo.ts';
import { isSame } from '../plan/same.ts';
import type { Circuit, Net, PartNode } from './model.ts';

/** What of a circuit is a list of things with names. */
const COLLECTIONS = ['parts', 'rails', 'feeds', 'nets', 'buses', 'wishes'] as const;
export type Collection = (typeof COLLECTIONS)[number];

/** Names of one kind, made once each: they are noted a thousand times for every verdict. */
const namesFor = perKey(200, (_of: string) => new Map<string, string>());
const fieldsFor = perKey(20_000, (_thing: string) => new Map<string, string>());
function nameOf(known: Map<string, string>, from: string, by: string): string {
  let name = known.get(by);
  if (name === undefined) known.set(by, (name = `${from} ${by}`));
  return name;
}
/** One thing of a list; of parts, rails and feeds one thing that is said of it. */
function thingName(of: string, id: string, field?: string): string {
  const thing = nameOf(namesFor(of), of, id);
  return field === undefined ? thing : nameOf(fieldsFor(thing), thing, field);
}
/** The list as a whole: which things are in it, or for what is read whole, any of them. */
const whole = (of: string): string => of;

/** By what else nets are asked for. */
const NET_KEYS = {
  trunk: (net: Net) => [net.trunk],
  upstream: (net: Net) => (net.upstream === null ? [] : [net.upstream]),
  beyond: (net: Net) => (net.beyond === null ? [] : [net.beyond]),
  part: (net: Net) => [...new Set(net.ends.map(({ part }) => part))],
} as const satisfies Readonly<Record<string, (net: Net) => readonly string[]>>;
type NetKey = keyof typeof NET_KEYS;
const KEYS = Object.keys(NET_KEYS) as readonly NetKey[];

const index = perOwner((circuit: Circuit) =>
  unnoted(() => {
    const by = new Map<string, Net[]>();
    for (const net of circuit.nets)
      for (const key of KEYS)
        for (const id of NET_KEYS[key](net)) {
          const name = thingName(key, id);
          const there = by.get(name);
          if (there) there.push(net);
          else by.set(name, [net]);
        }
    return by;
  }),
);

const named =
  <T extends 'nets' | 'buses' | 'wishes'>(of: T) =>
  (circuit: Circuit, id: string): Circuit[T][number] | undefined => {
    noteRead(thingName(of, id));
    return byIds(circuit)[of].get(id);
  };
const byIds = perOwner((circuit: Circuit) =>
  unnoted(() => ({ nets: byId(circuit.nets), buses: byId(circuit.buses), wishes: byId(circuit.wishes) })),
);
const byId = <T extends { readonly id: string }>(list: readonly T[]): ReadonlyMap<string, T> =>
  new Map(list.map((one) => [one.id, one]));

/** The net of a name; whoever looks for it among all of them hangs on all. */
export const netOf = named('nets');
export const busOf = named('buses');
export const wishOf = named('wishes');

/** Nets of a trunk, behind a bus switch's line, beyond a translator, or with an end at a part: in the order of the circuit. */
export function netsBy(circuit: Circuit, key: NetKey, id: string): readonly Net[] {
  const name = thingName(key, id);
  noteRead(name);
  return index(circuit).get(name) ?? [];
}

interface Fact {
  readonly name: string;
  readonly known: (circuit: Circuit) => {
    readonly value: ReadonlyMap<string, unknown>;
    readonly reads: ReadonlySet<string>;
  };
}
const FACTS: Fact[] = [];

/**
 * Something that follows from much of a circuit and is asked for by a key. Whoever asks hangs on the answer alone, and not on all that it was
 * found in: two answers that say the same are the same, as plain data.
 */
export function fact<V>(name: string, work: (circuit: Circuit) => ReadonlyMap<string, V>) {
  const known = perOwner((circuit: Circuit) => noting(() => work(circuit)));
  FACTS.push({ name, known });
  return (circuit: Circuit, key: string): V | undefined => {
    noteRead(thingName(name, key));
    return unnoted(() => known(circuit)).value.get(key);
  };
}

/**
 * Adds the answers that are different, where anything that they were found in is. A fact that asks for another is made after it, as its file
 * brings the other in, and so comes after it here.
 */
function addDifferentFacts(before: Circuit, after: Circuit, names: Set<string>): void {
  for (const { name, known } of FACTS) {
    const was = known(watched(before));
    if (![...was.reads].some((read) => names.has(read))) continue;
    const is = known(after).value;
    for (const key of new Set([...was.value.keys(), ...is.keys()]))
      if (!isSame(was.value.get(key), is.get(key))) names.add(thingName(name, key));
  }
}

/** A map that notes what is asked of it. What it gives is seen through `through`, where something is to be noted of that as well. */
class WatchedMap<V> implements ReadonlyMap<string, V> {
  private readonly seen = new Map<string, V>();

  constructor(
    private readonly of: string,
    private readonly from: ReadonlyMap<string, V>,
    private readonly through: ((id: string, value: V) => V) | null,
  ) {}

  private see(id: string, value: V): V {
    if (!this.through) return value;
    let seen = this.seen.get(id);
    if (seen === undefined) this.seen.set(id, (seen = this.through(id, value)));
    return seen;
  }

  private noteAll(): void {
    noteRead(whole(this.of));
  }

  get(id: string): V | undefined {
    noteRead(thingName(this.of, id));
    const value = this.from.get(id);
    return value === undefined ? undefined : this.see(id, value);
  }
  has(id: string): boolean {
    noteRead(thingName(this.of, id));
    return this.from.has(id);
  }
  get size(): number {
    this.noteAll();
    return this.from.size;
  }
  forEach(take: (value: V, key: string, map: ReadonlyMap<string, V>) => void): void {
    for (const [key, value] of this) take(value, key, this);
  }
  keys(): MapIterator<string> {
    this.noteAll();
    return this.from.keys();
  }
  *values(): MapIterator<V> {
    this.noteAll();
    for (const [id, value] of this.from) yield this.see(id, value);
  }
  *entries(): MapIterator<[string, V]> {
    this.noteAll();
    for (const [id, value] of this.from) yield [id, this.see(id, value)];
  }
  [Symbol.iterator](): MapIterator<[string, V]> {
    return this.entries();
  }
}

/** Of the fields of a thing, which there are. */
const ALL_FIELDS = '*';

/** The same object whose fields are noted one by one, those that it has not as well. */
const byField = <T extends object>(value: T, nameOf: (field: string) => string, instead: Partial<T> = {}): T =>
  new Proxy(value, {
    get(_, field) {
      if (Object.hasOwn(instead, field)) return Reflect.get(instead, field);
      if (typeof field === 'string') noteRead(nameOf(field));
      return Reflect.get(value, field);
    },
    has(_, field) {
      if (typeof field === 'string') noteRead(nameOf(field));
      return Reflect.has(value, field);
    },
    ownKeys() {
      noteRead(nameOf(ALL_FIELDS));
      return Reflect.ownKeys(value);
    },
  });

/** A part whose fields are noted one by one, and those of what the plan chooses for it. */
function partByField(id: string, part: PartNode): PartNode {
  const { choice } = part;
  if (choice === null) return byField(part, (field) => thingName('parts', id, field));
  const seen = byField(choice, (field) => thingName('choice', id, field));
  return byField(part, (field) => thingName('parts', id, field), { choice: seen });
}

/** What is different between a part and what it was. */
function differentPart(id: string, before: PartNode, after: PartNode): string[] {
  const { choice: was, ...old } = before;
  const { choice: is, ...now } = after;
  const names = differentFields(old, now).map((field) => thingName('parts', id, field));
  if (was === null || is === null) return was === is ? names : [...names, thingName('parts', id, 'choice')];
  return [...names, ...differentFields(was, is).map((field) => thingName('choice', id, field))];
}

/** The names of the fields that are different. */
function differentFields(before: object, after: object): string[] {
  const [mine, theirs] = [Object.keys(before), Object.keys(after)];
  const fields = [...new Set([...mine, ...theirs])].filter(
    (field) => !isSame(Reflect.get(before, field), Reflect.get(after, field)),
  );
  return mine.length === theirs.length && mine.every((field) => Object.hasOwn(after, field))
    ? fields
    : [...fields, ALL_FIELDS];
}

/** The same circuit, which notes what is read of it. */
export const watched = perOwner((circuit: Circuit): Circuit => {
  const map = <V extends object>(of: keyof Circuit, from: ReadonlyMap<string, V>, fields: boolean) =>
    new WatchedMap<V>(of, from, fields ? (id, value) => byField(value, (field) => thingName(of, id, field)) : null);
  const parts = new WatchedMap<PartNode>('parts', circuit.parts, partByField);
  return byField(circuit, whole, {
    plan: byField(circuit.plan, (field) => thingName('plan', field)),
    cards: map('cards', circuit.cards, false),
    parts,
    // The very thing that the list gives, so that one can be told from the other.
    get controller() {
      noteRead(whole('controller'));
      return circuit.controller && (parts.get(circuit.controller.id) ?? null);
    },
    rails: map('rails', circuit.rails, true),
    feeds: map('feeds', circuit.feeds, true),
    rhythms: map('rhythms', circuit.rhythms, false),
    cables: map('cables', circuit.cables, false),
  });
});

/** What is different between two circuits, by the names under which it is read. */
export interface Changed {
  readonly names: ReadonlySet<string>;
  /** Of each list what there was not before. */
  readonly added: ReadonlyMap<Collection, readonly string[]>;
  /** What there is no more. */
  readonly gone: ReadonlyMap<Collection, readonly string[]>;
}

interface Lists extends Readonly<Record<Collection | 'cards' | 'rhythms' | 'cables', ReadonlyMap<string, object>>> {
  readonly nets: ReadonlyMap<string, Net>;
}

const listsOf = (circuit: Circuit): Lists => {
  const { parts, rails, feeds, cards, rhythms, cables } = circuit;
  return { parts, rails, feeds, cards, rhythms, cables, ...byIds(circuit) };
};

/** The names of the things of a list, in its order: what checks go over one by one. */
export const idsOf = (circuit: Circuit, of: Collection): Iterable<string> =>
  of === 'nets' || of === 'buses' || of === 'wishes' ? circuit[of].map(({ id }) => id) : circuit[of].keys();

export function changedBetween(before: Circuit, after: Circuit): Changed {
  const names = new Set<string>();
  const added = new Map<Collection, readonly string[]>();
  const gone = new Map<Collection, readonly string[]>();
  const [was, is] = [listsOf(before), listsOf(after)];
  for (const of of Object.keys(was) as (keyof Lists)[]) {
    const fields = of === 'rails' || of === 'feeds';
    const come: string[] = [];
    const left: string[] = [];
    let different = !sameOrder(was[of], is[of]);
    for (const [id, old] of was[of]) {
      const now = is[of].get(id);
      if (now === undefined) {
        left.push(id);
        names.add(thingName(of, id));
      } else if (of === 'parts') {
        const [mine, theirs] = [before.parts.get(id), after.parts.get(id)];
        if (mine && theirs && mine !== theirs) for (const name of differentPart(id, mine, theirs)) names.add(name);
        continue;
      } else if (fields) {
        if (old !== now) for (const field of differentFields(old, now)) names.add(thingName(of, id, field));
        continue;
      } else if (isSame(old, now)) continue;
      else names.add(thingName(of, id));
      different = true;
    }
    for (const id of is[of].keys())
      if (!was[of].has(id)) {
        come.push(id);
        names.add(thingName(of, id));
        different = true;
      }
    if (different) names.add(whole(of));
    if (isCollection(of)) {
      if (come.length > 0) added.set(of, come);
      if (left.length > 0) gone.set(of, left);
    }
  }
  for (const id of [...names].flatMap((name) => (name.startsWith('nets ') ? [name.slice(5)] : [])))
    for (const net of [was.nets.get(id), is.nets.get(id)])
      if (net) for (const key of KEYS) for (const by of NET_KEYS[key](net)) names.add(thingName(key, by));
  for (const field of ['guards', 'tolerance'] as const)
    if (!isSame(before[field], after[field])) names.add(whole(field));
  if (before.controller?.id !== after.controller?.id) names.add(whole('controller'));
  for (const field of differentFields(before.plan, after.plan)) names.add(thingName('plan', field));
  addDifferentFacts(before, after, names);
  return { names, added, gone };
}

const isCollection = (of: string): of is Collection => COLLECTIONS.some((one) => one === of);

/** Whether two lists have the same names in the same order. */
function sameOrder(a: ReadonlyMap<string, unknown>, b: ReadonlyMap<string, unknown>): boolean {
  if (a.size !== b.size) return false;
  const theirs = b.keys();
  for (const key of a.keys()) if (theirs.next().value !== key) return false;
  return true;
}
