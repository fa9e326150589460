/** Finding a hidden fault as an exercise: what is hidden, and how few measurements would have been enough. */
import { randomFrom } from '../quantity/random.ts';
import type { Dictionary } from './dictionary.ts';
import { deviation } from './instrument.ts';

/** A fault of the dictionary, drawn by how often it is met. */
export function hide(dictionary: Dictionary, seed: number): Dictionary['entries'][number] | null {
  const singles = dictionary.entries.filter(({ faults }) => faults.length === 1);
  const all = singles.reduce((sum, { prior }) => sum + prior, 0);
  let left = randomFrom(seed)() * all;
  for (const entry of singles) {
    left -= entry.prior;
    if (left <= 0) return entry;
  }
  return singles.at(-1) ?? null;
}

/** Readings closer than this are no difference. */
const SAME = 2.5;

/**
 * The fewest measurements that tell one fault from everything else that can be told from it: no order of measuring can do with
 * fewer. Exact up to three; above, as many as always taking the one that rules out most.
 * @param key of the entry
 */
export function fewest(dictionary: Dictionary, key: string): number {
  const { measurements, entries } = dictionary;
  const own = entries.find((entry) => entry.key === key);
  if (!own) return 0;
  const others = entries.filter((entry) => entry !== own);
  const words = Math.ceil(others.length / 32);
  const ruled = measurements.map(({ kind }, i) => {
    const bits = new Int32Array(words);
    others.forEach((other, k) => {
      const [x, y] = [own.readings[i] ?? 0, other.readings[i] ?? 0];
      if (deviation(kind, x, y) >= SAME && deviation(kind, y, x) >= SAME)
        bits[k >> 5] = (bits[k >> 5] ?? 0) | (1 << (k & 31));
    });
    return bits;
  });
  const goal = new Int32Array(words);
  for (const bits of ruled) bits.forEach((word, w) => (goal[w] = (goal[w] ?? 0) | word));
  if (goal.every((word) => word === 0)) return 0;
  const useful = ruled.filter((bits) => bits.some((word) => word !== 0));
  const done = (...sets: readonly Int32Array[]) =>
    goal.every((word, w) => sets.reduce((all, bits) => all | (bits[w] ?? 0), 0) === word);
  if (useful.some((a) => done(a))) return 1;
  for (let a = 0; a < useful.length; a++)
    for (let b = a + 1; b < useful.length; b++) {
      const [x, y] = [useful[a], useful[b]];
      if (x && y && done(x, y)) return 2;
    }
  return Math.max(3, greedy(useful, goal));
}

function greedy(sets: readonly Int32Array[], goal: Int32Array): number {
  const left = Int32Array.from(goal);
  const gain = (bits: Int32Array) => bits.reduce((sum, word, w) => sum + ones(word & (left[w] ?? 0)), 0);
  let count = 0;
  while (left.some((word) => word !== 0)) {
    let best: Int32Array | null = null;
    for (const bits of sets) if (!best || gain(bits) > gain(best)) best = bits;
    if (!best || gain(best) === 0) break;
    best.forEach((word, w) => (left[w] = (left[w] ?? 0) & ~word));
    count++;
  }
  return count;
}

function ones(word: number): number {
  let count = 0;
  for (let w = word; w !== 0; w &= w - 1) count++;
  return count;
}
