import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyDropoutSays {
  readonly hasInputOrMore: { rail: Text; voltage: Quantity; margin: Quantity };
  readonly own: { rail: Text; limit: Quantity; voltage: Quantity; measured: Quantity };
  readonly needsCellsSinkFrom: { rail: Text; limit: Quantity; voltage: Quantity };
  readonly holds: { rail: Text; limit: Quantity; voltage: Quantity; measured: Quantity };
  readonly meaning: null;
  readonly inputLowest: null;
  readonly less: { upper: Text; drop: Sum };
  readonly dropoutMost: null;
  readonly outputCanGive: null;
  readonly lowestOutputPromised: null;
}

const tell = tells<SupplyDropoutSays>('supply/dropout');

const meta = {
  id: 'supply/dropout',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  answeredBy: 'voltage',
  reads: ['rails/*/from/dropout', 'rails/*/voltage'],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V', 4);

function judge(circuit: Circuit, rail: Rail): Result[] {
  const { from, voltage } = rail.offer;
  const feed = from && circuit.feeds.get(keyOf(rail.part, from.supply));
  if (!from?.dropout || !voltage || !feed?.voltage) return [];
  const part = circuit.parts.get(rail.part);
  const upper = circuit.rails.get(feed.rail ?? '');
  const onCells = [...circuit.rails.values()].some((r) => r.part === upper?.source && r.offer.cells);
  const dropout = toInterval(from.dropout).max;
  const limit = toInterval(voltage).min;
  const measured = feed.voltage.min - dropout;
  const margin = measured - limit;
  const fresh = feed.voltage.max - dropout - limit;
  // A breakout that feeds nothing but itself says with its range from where it works.
  const own = rail.loads.length === 0 && margin < 0;
  const severity = margin >= -1e-9 ? null : own || (onCells && fresh >= 0) ? 'caution' : 'fault';
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity,
      measured,
      limit,
      unit: 'V',
      margin,
      message:
        severity === null
          ? tell('hasInputOrMore', { rail: rail.label, voltage: V(feed.voltage.min), margin: V(margin) })
          : own
            ? tell('own', {
                rail: rail.label,
                limit: V(limit + dropout),
                voltage: V(feed.voltage.min),
                measured: V(measured),
              })
            : severity === 'caution'
              ? tell('needsCellsSinkFrom', {
                  rail: rail.label,
                  limit: V(limit + dropout),
                  voltage: V(feed.voltage.min),
                })
              : tell('holds', {
                  rail: rail.label,
                  limit: V(limit + dropout),
                  voltage: V(feed.voltage.min),
                  measured: V(measured),
                }),
      meaning: tell('meaning'),
      workings: [
        {
          name: tell('inputLowest'),
          sum: tell('less', { upper: upper?.label ?? '', drop: feed.dropSum }),
          value: feed.voltage.min,
          unit: 'V',
        },
        { name: tell('dropoutMost'), sum: term('fromCard'), value: dropout, unit: 'V' },
        { name: tell('outputCanGive'), sum: subtract(V(feed.voltage.min), V(dropout)), value: measured, unit: 'V' },
        { name: tell('lowestOutputPromised'), sum: term('fromCard'), value: limit, unit: 'V' },
      ],
      rests: [
        [part?.card.id ?? '', from.dropout.source],
        [part?.card.id ?? '', voltage.source],
        [circuit.parts.get(upper?.part ?? '')?.card.id ?? '', upper?.offer.voltage?.source],
      ],
    }),
  ];
}

export const supplyDropout = {
  meta,
  ...overRails(judge),
} satisfies Check;
