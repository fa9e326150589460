/** True for plain data that says the same; the order of keys does not matter, and a key that is undefined is none. */
export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (a === null || b === null || typeof a !== 'object' || typeof b !== 'object') return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const keys = (x: object) => Object.keys(x).filter((key) => Reflect.get(x, key) !== undefined);
  const [mine, theirs] = [keys(a), keys(b)];
  return mine.length === theirs.length && mine.every((key) => isSame(Reflect.get(a, key), Reflect.get(b, key)));
}
