import { toInterval } from '../card/to-interval.ts';
import { efficiencyAt } from '../circuit/regulator.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { divide, multiply } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyStepUpSays {
  readonly broken: { rail: Text; peak: Quantity; input: Quantity; limit: Quantity };
  readonly holds: { rail: Text; peak: Quantity; limit: Quantity; input: Quantity };
  readonly meaning: null;
  readonly fromLowestInput: null;
}

const tell = tells<SupplyStepUpSays>('supply/step-up');

const meta = {
  id: 'supply/step-up',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: ['rails/*/from/switchCurrent'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, rail: Rail): Result[] {
  const { from } = rail.offer;
  const feed = from && circuit.feeds.get(keyOf(rail.part, from.supply));
  if (!from?.switchCurrent || !feed?.voltage || !rail.voltage || rail.peak <= 0) return [];
  const { derating } = circuit.plan.rules;
  const amps = toInterval(from.switchCurrent).min;
  const share = efficiencyAt(from, rail.peak);
  // Below the least that the part works at it gives nothing; supply/range says so.
  const input = Math.max(feed.voltage.min, toInterval(feed.supply.range).min);
  if (input >= rail.voltage.max) return [];
  const limit = (amps * derating * share * input) / rail.voltage.max;
  const margin = limit - rail.peak;
  const A = (x: number) => quantityOf(x, 'A', 3);
  const V = (x: number) => quantityOf(x, 'V', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      aspect: 'step-up',
      severity: margin < 0 ? 'fault' : null,
      measured: rail.peak,
      limit,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? tell('broken', { rail: rail.label, peak: A(rail.peak), input: V(input), limit: A(limit) })
          : tell('holds', { rail: rail.label, peak: A(rail.peak), limit: A(limit), input: V(input) }),
      meaning: tell('meaning'),
      workings: [
        {
          name: tell('fromLowestInput'),
          sum: divide(
            multiply(multiply(multiply(A(amps), derating), Number(share.toFixed(3))), V(input)),
            V(rail.voltage.max),
          ),
          value: limit,
          unit: 'A',
        },
        { name: term('peak'), sum: term('allHangs'), value: rail.peak, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', from.switchCurrent.source]],
    }),
  ];
}

export const supplyStepUp = {
  meta,
  ...overRails(judge),
} satisfies Check;
