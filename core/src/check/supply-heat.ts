import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { dissipation, regulatorHeat, warmestAir, warmth } from '../physics/heat.ts';
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
  const { from } = rail.offer;
  const part = circuit.parts.get(rail.part);
  const heat = regulatorHeat(circuit, rail);
  if (!part || !from?.thermal || !heat) return [];
  const own = dissipation(circuit, part).terms.find(({ name }) => name === 'its own current');
  const watts = heat.watts + (own?.watts ?? 0);
  const air = warmestAir(circuit, part.id);
  const { derating } = circuit.plan.rules;
  const { junction, surface, limit } = warmth(from.thermal, watts, air, derating);
  const toAir = toInterval(from.thermal.toAir).max;
  const margin = limit - junction;
  const hot = surface > HOT_SURFACE;
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity: margin < 0 ? 'fault' : hot ? 'caution' : null,
      measured: junction,
      limit,
      unit: '°C',
      margin,
      message:
        margin < 0
          ? `${rail.label} turns ${W(watts)} to heat and reaches ${C(junction)} inside; ${C(limit)} is allowed. It switches off or ages, and burns fingers.`
          : hot
            ? `${rail.label} turns ${W(watts)} to heat; its surface reaches ${C(surface)}. Do not touch it, and keep sensors away.`
            : `${rail.label} turns ${W(watts)} to heat: ${C(junction)} inside, ${C(surface)} outside, ${C(limit)} allowed.`,
      meaning:
        'What a regulator takes away becomes heat; a hot one cuts out for seconds at a time, which looks like a loose lead.',
      workings: [
        { name: heat.name, sum: heat.sum, value: heat.watts, unit: 'W' },
        ...(own ? [{ name: 'its own current', sum: own.sum, value: own.watts, unit: 'W' }] : []),
        { name: 'air around it, at its warmest', sum: 'of its place, or a warm room', value: air, unit: '°C' },
        {
          name: 'junction',
          sum: `${C(air)} + ${W(watts)} × ${formatQuantity(toAir, 'K/W')}`,
          value: junction,
          unit: '°C',
        },
        {
          name: 'surface',
          sum: from.thermal.toCase
            ? `${C(junction)} − ${W(watts)} × ${formatQuantity(toInterval(from.thermal.toCase).typ, 'K/W')}`
            : 'taken as the junction',
          value: surface,
          unit: '°C',
        },
        {
          name: 'allowed',
          sum: `${C(air)} + (${C(toInterval(from.thermal.limit).max)} − ${C(air)}) × ${derating}`,
          value: limit,
          unit: '°C',
        },
      ],
      rests: [
        [part.card.id, from.thermal.toAir.source],
        [part.card.id, from.thermal.limit.source],
      ],
    }),
  ];
}

export const supplyHeat: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
