/** True for plain data that says the same; the order of keys does not matter, and a key that is undefined is none. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a)) return Array.isArray(b) && areSame(a, b);
  return !Array.isArray(b) && hasSame(a, b);
}

// Much is compared at every change that is tried: no lists are made for it.
function areSame(a: readonly unknown[], b: readonly unknown[]): boolean {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!isSame(a[i], b[i])) return false;
  return true;
}

function hasSame(a: object, b: object): boolean {
  let mine = 0;
  for (const key of Object.keys(a)) {
    const value: unknown = Reflect.get(a, key);
    if (value === undefined) continue;
    mine += 1;
    if (!Object.hasOwn(b, key) || !isSame(value, Reflect.get(b, key))) return false;
  }
  let theirs = 0;
  for (const key of Object.keys(b)) if (Reflect.get(b, key) !== undefined) theirs += 1;
  return mine === theirs;
}
