/**
 * The one way to remember what was worked out. Cards, circuits and lines are never changed in place, so what follows from one stays true;
 * it is held with its owner and goes with it. What has no owner is held up to a limit, the oldest going first.
 */

import { isNoting, noteReads, noting } from './reads.ts';

const NOTHING: ReadonlySet<string> = new Set();

/** What is remembered, with what was read for it. */
interface Held<Value> {
  readonly value: Value;
  readonly reads: ReadonlySet<string>;
}

const held = <Value>(work: () => Value): Held<Value> => (isNoting() ? noting(work) : { value: work(), reads: NOTHING });

function given<Value>(before: Held<Value>): Value {
  if (isNoting()) noteReads(before.reads);
  return before.value;
}

/** Of each owner once; `rest` goes to the work alone and has to follow from the owner. */
export function perOwner<Owner extends object, Value, Rest extends readonly unknown[] = []>(
  work: (owner: Owner, ...rest: Rest) => Value,
): (owner: Owner, ...rest: Rest) => Value {
  const known = new WeakMap<Owner, Held<Value>>();
  return (owner, ...rest) => {
    const before = known.get(owner);
    if (before) return given(before);
    const now = held(() => work(owner, ...rest));
    known.set(owner, now);
    return now.value;
  };
}

/** Of each owner once for each key; `rest` goes to the work alone and has to follow from the key. */
export function perOwnerAndKey<Owner extends object, Key, Value, Rest extends readonly unknown[] = []>(
  work: (owner: Owner, key: Key, ...rest: Rest) => Value,
): (owner: Owner, key: Key, ...rest: Rest) => Value {
  const known = new WeakMap<Owner, Map<Key, Held<Value>>>();
  return (owner, key, ...rest) => {
    let shelf = known.get(owner);
    if (!shelf) known.set(owner, (shelf = new Map<Key, Held<Value>>()));
    const before = shelf.get(key);
    if (before) return given(before);
    const now = held(() => work(owner, key, ...rest));
    shelf.set(key, now);
    return now.value;
  };
}

/** Of each key once, at most so many; `rest` goes to the work alone and has to follow from the key. */
export function perKey<Key, Value, Rest extends readonly unknown[] = []>(
  limit: number,
  work: (key: Key, ...rest: Rest) => Value,
): (key: Key, ...rest: Rest) => Value {
  const known = new Map<Key, Value>();
  return (key, ...rest) => {
    let value = known.get(key);
    if (value === undefined && !known.has(key)) {
      value = work(key, ...rest);
      const [oldest] = known.keys();
      if (known.size >= limit && oldest !== undefined) known.delete(oldest);
      known.set(key, value);
    }
    return value as Value;
  };
}

/** How many of one owner are held: the plan as it is, at rest and under load, and one change that is tried. */
const FEW = 4;

const areSame = (a: readonly unknown[], b: readonly unknown[]): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};

/** The last few of each owner, each for as long as all that is given is the same; `rest` has to follow from the two. */
export function fewOfOwner<
  Owner extends object,
  Given extends readonly unknown[],
  Value,
  Rest extends readonly unknown[] = [],
>(work: (owner: Owner, given: Given, ...rest: Rest) => Value): (owner: Owner, given: Given, ...rest: Rest) => Value {
  const known = new WeakMap<Owner, (Held<Value> & { readonly by: Given })[]>();
  return (owner, by, ...rest) => {
    let few = known.get(owner);
    if (!few) known.set(owner, (few = []));
    for (let at = few.length - 1; at >= 0; at--) {
      const before = few[at];
      if (!before || !areSame(before.by, by)) continue;
      // What was not asked for the longest goes first.
      for (let next = at + 1; next < few.length; next++) few[next - 1] = few[next] ?? before;
      few[few.length - 1] = before;
      return given(before);
    }
    const now = held(() => work(owner, by, ...rest));
    few.push({ ...now, by });
    if (few.length > FEW) few.shift();
    return now.value;
  };
}

/** Something to be the owner of what is remembered under a name. */
export const slots = (): ((name: string) => object) => perKey(5000, (_name: string) => ({}));
