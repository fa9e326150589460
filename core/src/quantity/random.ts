/**
 * Numbers that look random and are the same for the same seed, so that a spread can be computed again. The generator is
 * the one known as mulberry32 (public domain, from memory): plenty for drawing tolerances, no use for secrets.
 * @returns a function that gives the next number, from 0 up to but not including 1
 */
export function randomFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t = (t + Math.imul(t ^ (t >>> 7), t | 61)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}
