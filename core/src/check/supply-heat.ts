import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { railWarmth } from '../physics/heat.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { HOT_SURFACE } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/heat',
  title: 'Regulators stay cool enough',
  station: 'power',
  rule: 'P = (Vin − Vout) × I + Vin × Iq; junction = air + P × thermal resistance, against its limit with the power derated. I is what flows long enough to heat: an average, or a current that lasts 30 s. A surface over 60 °C is a caution.',
  source: 'the cards; junction from thermal resistance as JESD51 defines it (from memory); 60 °C is common practice',
  breaks: 'fault',
};

const W = (x: number) => formatQuantity(x, 'W');
const C = (x: number) => formatQuantity(x, '°C');

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
          ? `${rail.label} turns ${W(watts)} to heat and reaches ${C(junction)} inside; ${C(limit)} is allowed. It switches off or ages, and burns fingers.`
          : hot
            ? `${rail.label} turns ${W(watts)} to heat; its surface reaches ${C(surface)}. Do not touch it, and keep sensors away.`
            : `${rail.label} turns ${W(watts)} to heat: ${C(junction)} inside, ${C(surface)} outside, ${C(limit)} allowed.`,
      meaning:
        'What a regulator takes away becomes heat; a hot one cuts out for seconds at a time, which looks like a loose lead.',
      workings: [
        ...terms.map(({ name, sum, watts: value }) => ({ name, sum, value, unit: 'W' })),
        {
          name: 'air around it, at its warmest',
          sum: 'of its place, or a warm room, and what is in its box',
          value: air,
          unit: '°C',
        },
        {
          name: 'junction',
          sum: `${C(air)} + ${W(watts)} × ${formatQuantity(toAir, 'K/W')}`,
          value: junction,
          unit: '°C',
        },
        {
          name: 'surface',
          sum: thermal.toCase
            ? `${C(junction)} − ${W(watts)} × ${formatQuantity(toInterval(thermal.toCase).typ, 'K/W')}`
            : 'taken as the junction',
          value: surface,
          unit: '°C',
        },
        {
          name: 'allowed',
          sum: `${C(air)} + (${C(toInterval(thermal.limit).max)} − ${C(air)}) × ${derating}`,
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

export const supplyHeat: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
