/** A plan that came as a copy is made of what is there already, as far as it says the same: what is remembered of that then holds of it. */

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null;
/** What a thing has of its own: a name may be one that every object answers to. */
const ownOf = (thing: object, key: string): unknown =>
  Object.hasOwn(thing, key) ? Reflect.get(thing, key) : undefined;
const idOf = (value: unknown): unknown => (isObject(value) ? ownOf(value, 'id') : undefined);

/** @returns what says the same as `after`, with every piece that `before` has as well taken from there; plain data only */
export function sharedWith<T>(before: unknown, after: T): T {
  if (Object.is(before, after) || !isObject(before) || !isObject(after)) return after;
  if (Array.isArray(before) !== Array.isArray(after)) return after;
  return (Array.isArray(after) ? sharedList(before as unknown[], after) : sharedFields(before, after)) as T;
}

/** Of lists, things with a name are found by it: one that is taken out does not move the others. */
function sharedList(before: readonly unknown[], after: readonly unknown[]): readonly unknown[] {
  const named = new Map(before.map((one) => [idOf(one), one]));
  const made = after.map((one, i) => {
    const id = idOf(one);
    return sharedWith(id === undefined ? before[i] : named.get(id), one);
  });
  return made.length === before.length && made.every((one, i) => Object.is(one, before[i])) ? before : made;
}

function sharedFields(before: object, after: object): object {
  const made = Object.entries(after).map(([key, value]) => [key, sharedWith(ownOf(before, key), value)] as const);
  const same =
    Object.keys(before).length === made.length &&
    made.every(([key, value]) => Object.hasOwn(before, key) && Object.is(value, Reflect.get(before, key)));
  return same ? before : Object.fromEntries(made);
}
