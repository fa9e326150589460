/** What the undecided choices will cost at least. */
import type { State } from './state.ts';

/**
 * Sum of the cheapest options outside the block, the block's assignment, and on top what it takes at least to bring
 * overdrawn resources back to their capacity: the excess at the best price per unit, the steps of the covering problem
 * taken as if they could be split.
 * @param best the cheapest option of every choice
 * @param assigned what the block's assignment costs
 */
export function lowerBound(state: State, best: Int32Array, assigned: number): number {
  const { p } = state;
  let sum = assigned;
  for (let c = 0; c < p.choices; c++) if (!p.isRow[c]) sum += p.cost[best[c] ?? 0] ?? 0;
  return sum + cover(state, best);
}

function cover(state: State, best: Int32Array): number {
  const { p } = state;
  const drawn = new Float64Array(p.capacity.length);
  for (let c = 0; c < p.choices; c++) {
    if (p.isRow[c] && !state.isSettled(c)) continue;
    const o = best[c] ?? -1;
    for (let u = p.useAt[o] ?? 0; u < (p.useAt[o + 1] ?? 0); u++) {
      const r = p.useOf[u] ?? 0;
      drawn[r] = (drawn[r] ?? 0) + (p.useAmount[u] ?? 0);
    }
  }
  const found: { more: number; steps: readonly number[] }[] = [];
  for (let r = 0; r < drawn.length; r++) {
    const excess = (drawn[r] ?? 0) - (p.capacity[r] ?? 0);
    if (excess > 0) found.push(coverOne(state, best, r, excess));
  }
  // Resources that different choices overdraw add up; of those that share a choice only the dearest counts.
  found.sort((a, b) => b.more - a.more);
  const counted = new Set<number>();
  return found.reduce((sum, { more, steps }) => {
    if (steps.some((c) => counted.has(c))) return sum;
    for (const c of steps) counted.add(c);
    return sum + more;
  }, 0);
}

/** What it costs at least to bring one resource back, and the choices that can help. */
function coverOne(
  state: State,
  best: Int32Array,
  r: number,
  excess: number,
): { more: number; steps: readonly number[] } {
  const { p, alive } = state;
  const steps: { choice: number; saves: number; price: number }[] = [];
  /** The least that any single step costs. */
  let least = Infinity;
  for (const { choice: c, amounts } of p.takers[r] ?? []) {
    if (state.isSettled(c) || p.isRow[c]) continue;
    const now = best[c] ?? 0;
    const from = p.first[c] ?? 0;
    const use = amounts[now - from] ?? 0;
    if (use === 0) continue;
    const cost = p.cost[now] ?? 0;
    let saves = 0;
    let price = Infinity;
    for (let k = 0; k < amounts.length; k++) {
      const less = alive[from + k] ? use - (amounts[k] ?? 0) : 0;
      if (less <= 0) continue;
      if (less > saves) saves = less;
      const dearer = (p.cost[from + k] ?? 0) - cost;
      if (dearer / less < price) price = dearer / less;
      if (dearer < least) least = dearer;
    }
    if (saves > 0) steps.push({ choice: c, saves, price });
  }
  steps.sort((a, b) => a.price - b.price);
  let left = excess;
  let total = 0;
  for (const { saves, price } of steps) {
    const part = Math.min(left, saves);
    total += part * price;
    left -= part;
    if (left <= 0) break;
  }
  const choices = steps.map(({ choice }) => choice);
  if (left > 1e-12 * excess) return { more: Infinity, steps: choices };
  // Steps cannot be split either: so many of them are needed even if each saves the most.
  steps.sort((a, b) => b.saves - a.saves);
  let count = 0;
  for (let rest = excess * (1 - 1e-9); rest > 0 && count < steps.length; count++) rest -= steps[count]?.saves ?? 0;
  // Costs are whole numbers, and the quotients were rounded: a little less is still a bound.
  return { more: Math.max(0, Math.floor(total * (1 - 1e-9)), count * least), steps: choices };
}
