/** Reads and warm-ups one after the other, so that their currents do not come together. */
import type { Circuit } from '../circuit/model.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import { drawOf } from '../circuit/draw.ts';
import { documentOf } from '../plan/document.ts';
import { setRun } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';
import { highest, steady, sumSteps, type Steps } from '../quantity/steps.ts';
import type { Phase, Rhythm } from '../circuit/model.ts';
import { partsBelow, timeline } from '../physics/timeline.ts';

export interface Staggering {
  readonly plan: Plan;
  /** A: the worst peak of the rail before and after. */
  readonly before: number;
  readonly after: number;
  /** Part -> s after the beginning of the round. */
  readonly begins: ReadonlyMap<string, number>;
}

/** Times are set on this grid, s. */
const GRID = 0.01;
const onGrid = (seconds: number): number => Number((Math.ceil(seconds / GRID - 1e-9) * GRID).toFixed(2));

interface Movable {
  readonly part: string;
  readonly every: number;
  readonly length: number;
  readonly peak: number;
  /** Its draw when it begins at a time. */
  readonly draw: (after: number) => Steps;
}

function movableOf(circuit: Circuit, part: string): Movable[] {
  const rhythm = circuit.rhythms.get(part);
  const node = circuit.parts.get(part);
  // The controller is awake for all of them.
  if (!rhythm || !node || rhythm.every === null || node === circuit.controller) return [];
  const began = rhythm.longest[0]?.from ?? 0;
  const shifted = (after: number): Rhythm => {
    const shift = (phases: readonly Phase[]) =>
      phases.map((phase) => ({ ...phase, from: phase.from - began + after, to: phase.to - began + after }));
    return { ...rhythm, after, phases: shift(rhythm.phases), longest: shift(rhythm.longest) };
  };
  const draw = (after: number) =>
    sumSteps(
      node.card.supplies.map(({ current }) => drawOf(current, shifted(after), node.choice?.run?.clock).surge),
      'highest',
    ).steps;
  const length = (rhythm.longest.at(-1)?.to ?? 0) - began;
  return [{ part, every: rhythm.every, length, peak: highest(draw(0)), draw }];
}

/**
 * Gives the work of each part below a rail its beginning in the round: the hungriest first, each at the end of one that
 * is there already (or at the beginning), where the least comes together; of such places the earliest.
 * @returns null where fewer than two parts keep to an interval, or nothing is gained
 */
export function stagger(circuit: Circuit, rail: string): Staggering | null {
  const movable = partsBelow(circuit, rail).flatMap((part) => movableOf(circuit, part));
  if (movable.length < 2) return null;
  movable.sort((a, b) => b.peak - a.peak || a.every - b.every || (a.part < b.part ? -1 : 1));
  const begins = new Map<string, number>();
  let placed: Steps = steady(0);
  const ends = new Set<number>([0]);
  for (const { part, every, length, draw } of movable) {
    let best: { after: number; peak: number; sum: Steps } | null = null;
    for (const after of [...ends].sort((a, b) => a - b)) {
      if (after > 0 && after + length > every) continue;
      const { steps: sum } = sumSteps([placed, draw(after)], 'highest');
      const peak = highest(sum);
      if (!best || peak < best.peak - 1e-12) best = { after, peak, sum };
    }
    if (!best) continue;
    begins.set(part, best.after);
    placed = best.sum;
    ends.add(onGrid(best.after + length));
  }
  const plan = [...begins].reduce((p, [part, after]) => setRun(p, part, { after }), circuit.plan);
  const before = timeline(circuit, rail).worst;
  const after = timeline(deriveCircuit(documentOf(plan, circuit.cards.values(), circuit.cards)), rail).worst;
  return after < before - 1e-9 ? { plan, before, after, begins } : null;
}
