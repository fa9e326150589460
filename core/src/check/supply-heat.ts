import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { railWarmth } from '../physics/heat.ts';
import { HOT_SURFACE } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { add, multiply, subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyHeatSays {
  readonly broken: { rail: Text; watts: Quantity; junction: Quantity; limit: Quantity };
  readonly hot: { rail: Text; watts: Quantity; surface: Quantity };
  readonly holds: { rail: Text; watts: Quantity; junction: Quantity; surface: Quantity; limit: Quantity };
  readonly meaning: null;
  readonly airAroundWarmest: null;
  readonly placeOrWarmRoom: null;
  readonly surface: null;
  readonly takenAsJunction: null;
  readonly allowed: null;
}

const tell = tells<SupplyHeatSays>('supply/heat');

const meta = {
  id: 'supply/heat',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: [
    'rails/*/from/quiescent',
    'rails/*/from/thermal/limit',
    'rails/*/from/thermal/toAir',
    'rails/*/from/thermal/toCase',
  ],
} as const satisfies CheckMeta;

const W = (x: number) => quantityOf(x, 'W');
const C = (x: number) => quantityOf(x, '°C');

function judge(circuit: Circuit, rail: Rail): Result[] {
  const warm = railWarmth(circuit, rail);
  const part = circuit.parts.get(rail.part);
  if (!warm || !part) return [];
  const { thermal, watts, air, junction, surface, limit, terms } = warm;
  const { derating } = circuit.plan.rules;
  const toAir = toInterval(thermal.toAir).max;
  const margin = limit - junction;
  const hot = surface > HOT_SURFACE;
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity: margin < 0 ? 'fault' : hot ? 'caution' : null,
      // Where only the surface is too hot, the surface is what is told.
      ...(margin >= 0 && hot
        ? { measured: surface, limit: HOT_SURFACE, margin: HOT_SURFACE - surface }
        : { measured: junction, limit, margin }),
      unit: '°C',
      message:
        margin < 0
          ? tell('broken', { rail: rail.label, watts: W(watts), junction: C(junction), limit: C(limit) })
          : hot
            ? tell('hot', { rail: rail.label, watts: W(watts), surface: C(surface) })
            : tell('holds', {
                rail: rail.label,
                watts: W(watts),
                junction: C(junction),
                surface: C(surface),
                limit: C(limit),
              }),
      meaning: tell('meaning'),
      workings: [
        ...terms.map(({ name, sum, watts: value }) => ({ name, sum, value, unit: 'W' })),
        {
          name: tell('airAroundWarmest'),
          sum: tell('placeOrWarmRoom'),
          value: air,
          unit: '°C',
        },
        {
          name: term('junction'),
          sum: add(C(air), multiply(W(watts), quantityOf(toAir, 'K/W'))),
          value: junction,
          unit: '°C',
        },
        {
          name: tell('surface'),
          sum: thermal.toCase
            ? subtract(C(junction), multiply(W(watts), quantityOf(toInterval(thermal.toCase).typ, 'K/W')))
            : tell('takenAsJunction'),
          value: surface,
          unit: '°C',
        },
        {
          name: tell('allowed'),
          sum: add(C(air), multiply(subtract(C(toInterval(thermal.limit).max), C(air)), derating)),
          value: limit,
          unit: '°C',
        },
      ],
      rests: [
        [part.card.id, thermal.toAir.source],
        [part.card.id, thermal.limit.source],
      ],
    }),
  ];
}

export const supplyHeat = {
  meta,
  ...overRails(judge),
} satisfies Check;
