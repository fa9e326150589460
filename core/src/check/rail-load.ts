/** What a rail has to carry against what it may. */
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type CheckMeta, type Result } from './result.ts';

const A = (x: number) => formatQuantity(x, 'A');

/** Cards and sources of the figures that a rail's load rests on. */
export const loadRests = (circuit: Circuit, rail: Rail): (readonly [string, string | undefined])[] =>
  rail.loads.flatMap(({ subject }) => {
    const card = circuit.parts.get(subject)?.card;
    return card?.supplies.map((supply) => [card.id, supply.current.active.source] as const) ?? [];
  });

/** @param follows what happens when it is too much */
export function railLoad(circuit: Circuit, meta: CheckMeta, rail: Rail, follows: string, meaning: string): Result[] {
  if (rail.loads.length === 0) return [];
  const { derating } = circuit.plan.rules;
  const most = toInterval(rail.offer.limit).min;
  const limit = most * derating;
  const margin = limit - rail.peak;
  const all = rail.loads.reduce((sum, { peak }) => sum + peak, 0);
  const spread = all - rail.peak > 1e-9;
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity: margin < 0 ? 'fault' : null,
      measured: rail.peak,
      limit,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? `${rail.label} has to give ${A(rail.peak)} at its peak; ${A(limit)} may be drawn (${A(most)} × ${derating}). ${follows}`
          : `${rail.label} gives ${A(rail.peak)} at its peak of ${A(limit)} (${A(most)} × ${derating}).`,
      meaning,
      workings: [
        ...rail.loads.map((load) => ({
          name: load.label,
          sum: `peak; usually ${A(load.typical)} = ${load.sum}`,
          value: load.peak,
          unit: 'A',
        })),
        { name: 'sum of peaks', sum: rail.loads.map(({ peak }) => A(peak)).join(' + '), value: all, unit: 'A' },
        ...(spread
          ? [
              {
                name: 'the most that comes together',
                sum: 'in the order that the plan sets, over one round',
                value: rail.peak,
                unit: 'A',
              },
            ]
          : []),
        { name: 'usually', sum: 'sum of the usual currents', value: rail.typical, unit: 'A' },
        { name: 'may be drawn', sum: `${A(most)} × ${derating}`, value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', rail.offer.limit.source], ...loadRests(circuit, rail)],
    }),
  ];
}
