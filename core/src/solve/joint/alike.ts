/**
 * Choices that can be swapped without anything else noticing, as five probes of one kind on one bus. Of the solutions that differ in such swaps
 * alone one is enough: the one in which their options come in order.
 */
import { perOwner } from '../../quantity/memo.ts';
import type { Compiled } from './compile.ts';

/** Neighbours among choices that are alike, by choice; -1 where there is none. */
export interface Alike {
  readonly before: Int32Array;
  readonly after: Int32Array;
}

/** What of an option others notice: two with the same are the same to them. */
const looksOf = perOwner((p: Compiled): string[] => {
  // What several choices together may meet is not told from another such wish here: who has one is like nobody else.
  const own = new Set([...p.reqOwner].filter((_, r) => (p.reqChoice[r] ?? -1) < 0));
  return Array.from(p.cost, (cost, o) => {
    const uses: string[] = [];
    for (let u = p.useAt[o] ?? 0; u < (p.useAt[o + 1] ?? 0); u++) uses.push(`${p.useOf[u]}:${p.useAmount[u]}`);
    const asks = (p.reqsOf[o] ?? []).map((r) => `${p.reqChoice[r]}:${(p.reqMeets[r] ?? []).join('')}`);
    return `${cost} ${uses.sort().join()} ${asks.sort().join()} ${(p.helps[o] ?? []).join()} ${own.has(o) ? o : ''}`;
  });
});

/** @param alive options that are left, 1 by option */
export function alikeChoices(p: Compiled, alive: Uint8Array): Alike {
  const looks = looksOf(p);
  const groups = new Map<string, number[]>();
  for (let c = 0; c < p.choices; c++) {
    if (p.isRow[c]) continue;
    const from = p.first[c] ?? 0;
    const left: string[] = [];
    for (let o = from; o < (p.first[c + 1] ?? 0); o++) if (alive[o]) left.push(`${o - from} ${looks[o]}`);
    if (left.length < 2) continue;
    const look = left.join('|');
    const group = groups.get(look);
    if (group) group.push(c);
    else groups.set(look, [c]);
  }
  const before = new Int32Array(p.choices).fill(-1);
  const after = new Int32Array(p.choices).fill(-1);
  for (const group of groups.values()) {
    if (group.length < 2 || asksItself(p, new Set(group))) continue;
    group.slice(1).forEach((c, i) => {
      before[c] = group[i] ?? -1;
      after[group[i] ?? 0] = c;
    });
  }
  return { before, after };
}

/** True where one of a group asks something of another: then they cannot be swapped alone. */
const asksItself = (p: Compiled, group: ReadonlySet<number>): boolean =>
  [...group].some((c) => (p.asks[c] ?? []).some(({ of }) => group.has(of)));
