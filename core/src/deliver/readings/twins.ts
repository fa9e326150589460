/** Two parts that measured the same thing, side by side for a while. */
import { tightestBand } from '../../check/sense-error.ts';
import type { Circuit } from '../../circuit/model.ts';
import { analogChain } from '../../physics/analog-chain.ts';
import { frontOf } from '../../physics/analog-front.ts';
import type { ReadingAt } from './reading-at.ts';

export interface SideBySide {
  readonly difference: number;
  /** What the stated errors of both allow together; null where one of them says nothing there. */
  readonly allowed: number | null;
  /** True where nothing forbids it. */
  readonly holds: boolean;
}

/** What a reading may be off by, by the card and by the way to the converter; null where the card says nothing there. */
function errorAt(circuit: Circuit, { part, measure }: ReadingAt, value: number): number | null {
  const node = circuit.parts.get(part);
  const stated = tightestBand(measure, value);
  if (!node || !stated) return null;
  const chain = measure.analog
    ? analogChain(node.card, measure, { from: value, to: value }, frontOf(circuit, node, measure))
    : null;
  return stated.error + (chain?.worst ?? 0);
}

export function sideBySide(circuit: Circuit, a: ReadingAt, ofA: number, b: ReadingAt, ofB: number): SideBySide {
  const [ea, eb] = [errorAt(circuit, a, ofA), errorAt(circuit, b, ofB)];
  const allowed = ea === null || eb === null ? null : ea + eb;
  const difference = ofA - ofB;
  return { difference, allowed, holds: allowed === null || Math.abs(difference) <= allowed };
}

/** Pairs of parts that measure one quantity. */
export function twinsOf(all: readonly ReadingAt[]): (readonly [ReadingAt, ReadingAt])[] {
  return all.flatMap((a, i) =>
    all
      .slice(i + 1)
      .flatMap((b) => (a.quantity === b.quantity && a.unit === b.unit && a.part !== b.part ? [[a, b] as const] : [])),
  );
}
