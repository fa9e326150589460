import { toInterval } from '../card/to-interval.ts';
import { efficiencyAt } from '../circuit/flow.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/step-up',
  title: 'A step-up still gives enough from its lowest input',
  station: 'power',
  rule: 'Peak ≤ I_switch × efficiency × Vin at its lowest ÷ Vout, the switch’s current with the house rule’s share.',
  source: 'power balance of a step-up; the current of its switch from the card',
  breaks: 'fault',
};

function judge(circuit: Circuit, rail: Rail): Result[] {
  const { from } = rail.offer;
  const feed = from && circuit.feeds.get(`${rail.part}.${from.supply}`);
  if (!from?.switchCurrent || !feed?.voltage || !rail.voltage || rail.peak <= 0) return [];
  const { derating } = circuit.plan.rules;
  const amps = toInterval(from.switchCurrent).min;
  const share = efficiencyAt(from, rail.peak);
  // Below the least that the part works at it gives nothing; supply/range says so.
  const input = Math.max(feed.voltage.min, toInterval(feed.supply.range).min);
  if (input >= rail.voltage.max) return [];
  const limit = (amps * derating * share * input) / rail.voltage.max;
  const margin = limit - rail.peak;
  const A = (x: number) => formatQuantity(x, 'A', 3);
  const V = (x: number) => formatQuantity(x, 'V', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref, 'step-up'],
      severity: margin < 0 ? 'fault' : null,
      measured: rail.peak,
      limit,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? `${rail.label} has to give ${A(rail.peak)}; from ${V(input)} it makes ${A(limit)} at most. It collapses as the cells sink.`
          : `${rail.label} gives ${A(rail.peak)} of the ${A(limit)} that it makes of ${V(input)}.`,
      meaning: 'A step-up draws the more the lower its input is, until its switch can no more.',
      workings: [
        {
          name: 'from the lowest input',
          sum: `${A(amps)} × ${derating} × ${Number(share.toFixed(3))} × ${V(input)} ÷ ${V(rail.voltage.max)}`,
          value: limit,
          unit: 'A',
        },
        { name: 'peak', sum: 'all that hangs on it', value: rail.peak, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', from.switchCurrent.source]],
    }),
  ];
}

export const supplyStepUp: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
