import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { restCurrent } from '../physics/rest-current.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/stays-on',
  title: 'A power bank stays on',
  station: 'power',
  rule: 'What the build usually takes between two pieces of work is at least the current below which the power bank switches itself off.',
  source: 'the card; 50 to 100 mA is common practice',
  breaks: 'fault',
};

function judge(circuit: Circuit, rail: Rail): Result[] {
  const figure = rail.offer.staysOn;
  if (!figure || rail.loads.length === 0) return [];
  const limit = toInterval(figure).max;
  const least = restCurrent(circuit, rail);
  const margin = least - limit;
  const A = (x: number) => formatQuantity(x, 'A', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity: margin < 0 ? 'fault' : null,
      measured: least,
      limit,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? `At rest the build takes ${A(least)} of ${rail.label}; below ${A(limit)} it switches itself off after some seconds. Take a source that stays on, or keep something lit.`
          : `At rest the build takes ${A(least)}, enough to keep ${rail.label} on (${A(limit)}).`,
      meaning: 'A power bank is made to charge a telephone: when little flows it takes the telephone for full.',
      workings: [
        { name: 'at rest', sum: 'everything between two pieces of work', value: least, unit: 'A' },
        { name: 'stays on from', sum: 'from the card', value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', figure.source]],
    }),
  ];
}

export const supplyStaysOn: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
