/** Finds a place for every part. Annealing with a fixed seed, so that the same plan always gives the same places. */
import { COST, type Placing } from './placing.ts';
import { standKey, type Stand } from './problem.ts';

/** Puts each item where it costs least, in the order given. @param outside plugs at the very end of the board @returns the item for which there is no room, or null */
export function firstPlaces(placing: Placing, order: readonly number[], outside: boolean): number | null {
  placing.plugCost = outside ? COST.outside : COST.plug;
  for (const item of order) {
    let best: { stand: Stand; cost: number } | null = null;
    for (const stand of placing.problem.items[item]?.stands ?? []) {
      // What the maker put down stays there; the reader says so where it cannot.
      if (!placing.problem.items[item]?.pinned && !placing.fits(item, stand)) continue;
      placing.put(item, stand);
      const cost = placing.measure();
      placing.lift(item);
      if (!best || cost < best.cost - 1e-9) best = { stand, cost };
    }
    if (!best) return item;
    placing.put(item, best.stand);
  }
  placing.plugCost = COST.plug;
  placing.cost = placing.measure();
  return null;
}

/** Temperatures of the annealing, in steps of lead: from a move across half a board to one that no longer matters. */
const HOT = 12;
const COLD = 0.05;

/** Improves places by moving and exchanging items. @param random from 0 to 1 @returns the best that was met */
export function anneal(placing: Placing, moves: number, random: () => number): readonly (Stand | null)[] {
  const { items } = placing.problem;
  const free = items.flatMap(({ stands }, i) => (stands.length > 1 ? [i] : []));
  let best = [...placing.stands];
  let least = placing.cost;
  if (free.length === 0) return best;
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  for (let move = 0; move < moves; move++) {
    const heat = HOT * (COLD / HOT) ** (move / moves);
    const touched = random() < 0.2 && free.length > 1 ? exchange(placing, pick(free), pick(free)) : null;
    const undo = touched ?? shift(placing, pick(free), move / moves, random);
    if (!undo) continue;
    const cost = placing.measure();
    if (cost <= placing.cost || random() < Math.exp((placing.cost - cost) / heat)) {
      placing.cost = cost;
      if (cost < least - 1e-9) {
        least = cost;
        best = [...placing.stands];
      }
    } else undo();
  }
  return best;
}

type Undo = () => void;

/** Moves one item: anywhere at first, to neighbouring places later. */
function shift(placing: Placing, item: number, done: number, random: () => number): Undo | null {
  const stands = placing.problem.items[item]?.stands ?? [];
  const before = placing.stands[item];
  if (!before) return null;
  const near = random() < done;
  const at = before.number;
  const index = near ? at + Math.round((random() - 0.5) * 12) : Math.floor(random() * stands.length);
  const stand = stands[index];
  // Most moves end here: nothing is lifted for them.
  if (!stand || stand === before || !placing.clears(item, stand)) return null;
  placing.lift(item);
  if (!placing.fits(item, stand)) {
    placing.put(item, before);
    return null;
  }
  placing.put(item, stand);
  return () => {
    placing.lift(item);
    placing.put(item, before);
  };
}

/** Lets two items take each other's first row and side, where both fit. */
function exchange(placing: Placing, a: number, b: number): Undo | null {
  if (a === b) return null;
  const [wasA, wasB] = [placing.lift(a), placing.lift(b)];
  const back = () => {
    placing.lift(a);
    placing.lift(b);
    if (wasA) placing.put(a, wasA);
    if (wasB) placing.put(b, wasB);
  };
  const like = (item: number, other: Stand | null) =>
    other ? placing.problem.items[item]?.standAt.get(standKey(other)) : undefined;
  const [toA, toB] = [like(a, wasB), like(b, wasA)];
  if (!toA || !toB || !placing.fits(a, toA)) {
    back();
    return null;
  }
  placing.put(a, toA);
  if (!placing.fits(b, toB)) {
    back();
    return null;
  }
  placing.put(b, toB);
  return back;
}
