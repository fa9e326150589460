/** Keys that mean something at one station only: they come and go with it. */

let keys: Readonly<Record<string, () => void>> = {};

/** @returns takes them away again */
export function setStationKeys(mine: Readonly<Record<string, () => void>>): () => void {
  keys = mine;
  return () => {
    if (keys === mine) keys = {};
  };
}

/** @returns whether the key meant something */
export function onStationKey(key: string): boolean {
  const act = Object.hasOwn(keys, key) ? keys[key] : undefined;
  act?.();
  return act !== undefined;
}
