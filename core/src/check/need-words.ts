import type { Circuit, PartNode } from '../circuit/model.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { quantityOf, tells, type Quantity } from '../quantity/message.ts';
import { fact } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface NeedWordsSays {
  readonly to: { from: number; to: Quantity };
}

const tell = tells<NeedWordsSays>('need/words');

/** Parts that serve a need. */
export const servants = (circuit: Circuit, need: string): readonly PartNode[] => serving(circuit, need) ?? [];

const serving = fact('servants', ({ parts }) => {
  const all = new Map<string, PartNode[]>();
  for (const part of parts.values())
    for (const need of new Set(part.choice?.needs)) {
      const there = all.get(need);
      if (there) there.push(part);
      else all.set(need, [part]);
    }
  return all;
});

/** Sensing needs that a part serves. */
export function sensingNeeds(circuit: Circuit, part: string): SenseNeed[] {
  const ids = circuit.parts.get(part)?.choice?.needs ?? [];
  return circuit.plan.needs.filter((need): need is SenseNeed => need.kind === 'sense' && ids.includes(need.id));
}

export const span = (need: SenseNeed) => tell('to', { from: need.from, to: quantityOf(need.to, need.unit, 4) });
