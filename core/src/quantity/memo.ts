/**
 * The one way to remember what was worked out. Cards, circuits and lines are never changed in place, so what follows from one stays true;
 * it is held with its owner and goes with it. What has no owner is held up to a limit, the oldest going first.
 */

/** Of each owner once; `rest` goes to the work alone and has to follow from the owner. */
export function perOwner<Owner extends object, Value, Rest extends readonly unknown[] = []>(
  work: (owner: Owner, ...rest: Rest) => Value,
): (owner: Owner, ...rest: Rest) => Value {
  const known = new WeakMap<Owner, { readonly value: Value }>();
  return (owner, ...rest) => {
    let held = known.get(owner);
    if (!held) known.set(owner, (held = { value: work(owner, ...rest) }));
    return held.value;
  };
}

/** Of each owner once for each key; `rest` goes to the work alone and has to follow from the key. */
export function perOwnerAndKey<Owner extends object, Key, Value, Rest extends readonly unknown[] = []>(
  work: (owner: Owner, key: Key, ...rest: Rest) => Value,
): (owner: Owner, key: Key, ...rest: Rest) => Value {
  const known = new WeakMap<Owner, Map<Key, Value>>();
  return (owner, key, ...rest) => {
    let shelf = known.get(owner);
    if (!shelf) known.set(owner, (shelf = new Map<Key, Value>()));
    let value = shelf.get(key);
    if (value === undefined && !shelf.has(key)) shelf.set(key, (value = work(owner, key, ...rest)));
    return value as Value;
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

/** The last of each owner alone, for as long as all that is given is the same; `rest` has to follow from the two. */
export function lastOfOwner<
  Owner extends object,
  Given extends readonly unknown[],
  Value,
  Rest extends readonly unknown[] = [],
>(work: (owner: Owner, given: Given, ...rest: Rest) => Value): (owner: Owner, given: Given, ...rest: Rest) => Value {
  const known = new WeakMap<Owner, { readonly given: Given; readonly value: Value }>();
  return (owner, given, ...rest) => {
    const last = known.get(owner);
    if (last && last.given.every((one, i) => one === given[i])) return last.value;
    const value = work(owner, given, ...rest);
    known.set(owner, { given, value });
    return value;
  };
}
