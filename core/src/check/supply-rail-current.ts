import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/rail-current',
  title: 'Every rail carries its loads',
  station: 'power',
  rule: 'The sum of all peaks on the rail - parts, regulators below, pull-ups held low, lights - is at most its limit × the derating of the house rules.',
  source: 'the cards; derating is common practice',
  breaks: 'fault',
};

const A = (x: number) => formatQuantity(x, 'A');

function judge(circuit: Circuit, rail: Rail): Result[] {
  if (rail.loads.length === 0) return [];
  const { derating } = circuit.plan.rules;
  const most = toInterval(rail.offer.limit).min;
  const limit = most * derating;
  const margin = limit - rail.peak;
  const cards = rail.loads.flatMap(({ subject }) => {
    const card = circuit.parts.get(subject)?.card;
    return card?.supplies.map((supply) => [card.id, supply.current.active.source] as const) ?? [];
  });
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
          ? `${rail.label} has to give ${A(rail.peak)} at its peak; ${A(limit)} may be drawn (${A(most)} × ${derating}). It can drop out or overheat.`
          : `${rail.label} gives ${A(rail.peak)} at its peak of ${A(limit)} (${A(most)} × ${derating}).`,
      meaning: 'When the rail sags, the radio resets the board in the middle of sending and sensors read rubbish.',
      workings: [
        ...rail.loads.map((load) => ({
          name: load.label,
          sum: `peak; usually ${A(load.typical)} = ${load.sum}`,
          value: load.peak,
          unit: 'A',
        })),
        { name: 'sum of peaks', sum: rail.loads.map(({ peak }) => A(peak)).join(' + '), value: rail.peak, unit: 'A' },
        { name: 'usually', sum: 'sum of the usual currents', value: rail.typical, unit: 'A' },
        { name: 'may be drawn', sum: `${A(most)} × ${derating}`, value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', rail.offer.limit.source], ...cards],
    }),
  ];
}

export const supplyRailCurrent: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
