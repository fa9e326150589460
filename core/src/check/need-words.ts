import type { Circuit, PartNode } from '../circuit/circuit.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';

export const servants = (circuit: Circuit, need: string): PartNode[] =>
  [...circuit.parts.values()].filter(({ choice }) => choice?.needs.includes(need));

export const span = (need: SenseNeed) => `${need.from} to ${formatQuantity(need.to, need.unit, 4)}`;
