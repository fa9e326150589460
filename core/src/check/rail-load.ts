/** What a rail has to carry against what it may. */
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { result, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Message, type Sum } from '../quantity/message.ts';
import { multiply, add } from '../quantity/sum.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface RailLoadSays {
  readonly broken: { rail: Text; peak: Quantity; limit: Quantity; most: Quantity; derating: number; follows: Text };
  readonly holds: { rail: Text; peak: Quantity; limit: Quantity; most: Quantity; derating: number };
  readonly peakUsually: { typical: Quantity; sum: Sum };
  readonly sumPeaks: null;
  readonly mostComesTogether: null;
  readonly orderPlanSetsOver: null;
  readonly usually: null;
  readonly sumUsualCurrents: null;
}

const tell = tells<RailLoadSays>('rail/load');

const A = (x: number) => quantityOf(x, 'A');

/** Cards and sources of the figures that a rail's load rests on. */
export const loadRests = (circuit: Circuit, rail: Rail): (readonly [string, string | undefined])[] =>
  rail.loads.flatMap(({ subject }) => {
    const card = circuit.parts.get(subject)?.card;
    return card?.supplies.map((supply) => [card.id, supply.current.active.source] as const) ?? [];
  });

/** @param follows what happens when it is too much */
export function railLoad(circuit: Circuit, meta: CheckMeta, rail: Rail, follows: Message, meaning: Message): Result[] {
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
          ? tell('broken', { rail: rail.label, peak: A(rail.peak), limit: A(limit), most: A(most), derating, follows })
          : tell('holds', { rail: rail.label, peak: A(rail.peak), limit: A(limit), most: A(most), derating }),
      meaning,
      workings: [
        ...rail.loads.map((load) => ({
          name: load.label,
          sum: tell('peakUsually', { typical: A(load.typical), sum: load.sum }),
          value: load.peak,
          unit: 'A',
        })),
        { name: tell('sumPeaks'), sum: add(...rail.loads.map(({ peak }) => A(peak))), value: all, unit: 'A' },
        ...(spread
          ? [
              {
                name: tell('mostComesTogether'),
                sum: tell('orderPlanSetsOver'),
                value: rail.peak,
                unit: 'A',
              },
            ]
          : []),
        { name: tell('usually'), sum: tell('sumUsualCurrents'), value: rail.typical, unit: 'A' },
        { name: term('mayBeDrawn'), sum: multiply(A(most), derating), value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', rail.offer.limit.source], ...loadRests(circuit, rail)],
    }),
  ];
}
