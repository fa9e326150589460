import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { gustOf } from '../physics/gust.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { BROWN_OUT } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/dip',
  title: 'A gust of current does not start the controller anew',
  station: 'power',
  rule: 'V_min = V − ΔI × Δt ÷ C, V being the rail at its peak with what leads and contacts lose, ΔI from the average to the peak of all that hangs on it, C what is across it and Δt until it answers, stays above the controller’s brown-out.',
  source: 'the cards; where they are silent what holds a rail and the brown-out are common practice',
  breaks: 'caution',
};

const V = (x: number) => formatQuantity(x, 'V', 3);
const A = (x: number) => formatQuantity(x, 'A', 3);

function judge(circuit: Circuit, rail: Rail): Result[] {
  const chip = circuit.controller?.card.controller;
  const gust = gustOf(circuit, rail);
  if (!circuit.controller || !chip || !rail.voltage || !gust) return [];
  const limit = chip.brownOut ? toInterval(chip.brownOut).max : rail.voltage.typ * BROWN_OUT;
  const lowest = rail.voltage.min - gust.dip;
  const margin = lowest - limit;
  const assumed = gust.assumed || !chip.brownOut;
  const wanted = rail.voltage.min > limit ? (gust.amps * gust.seconds) / (rail.voltage.min - limit) : Infinity;
  return [
    result(circuit, meta, {
      subjects: [circuit.controller.id, rail.ref],
      severity: margin >= 0 ? null : assumed ? 'caution' : 'fault',
      measured: lowest,
      limit,
      unit: 'V',
      margin,
      assumed,
      message:
        margin < 0
          ? `${gust.by} takes a gust of ${A(gust.amps)}, and ${rail.label} sinks to ${V(lowest)}; ${circuit.controller.label} starts anew below ${V(limit)}. ${Number.isFinite(wanted) ? `${formatQuantity(wanted, 'F', 2)} across it would hold.` : 'Its leads lose too much already.'}`
          : `A gust of ${A(gust.amps)} leaves ${V(lowest)} on ${rail.label}; ${circuit.controller.label} runs down to ${V(limit)}.`,
      meaning: 'It starts anew each time it sends, and looks as if the program were wrong.',
      workings: [
        { name: 'gust', sum: gust.sum, value: gust.amps, unit: 'A' },
        { name: 'across the rail', sum: gust.reserve, value: gust.farads, unit: 'F' },
        {
          name: 'sinks by',
          sum: `${A(gust.amps)} × ${formatQuantity(gust.seconds, 's')} ÷ ${formatQuantity(gust.farads, 'F', 3)}`,
          value: gust.dip,
          unit: 'V',
        },
        { name: 'lowest', sum: `${V(rail.voltage.min)} − ${V(gust.dip)}`, value: lowest, unit: 'V' },
        {
          name: 'starts anew below',
          sum: chip.brownOut ? 'from its card' : `${V(rail.voltage.typ)} × ${BROWN_OUT}, assumed`,
          value: limit,
          unit: 'V',
        },
      ],
      rests: [[circuit.controller.card.id, chip.brownOut?.source]],
    }),
  ];
}

export const supplyDip: Check = {
  meta,
  run: (circuit) => {
    const reference = circuit.controller?.card.controller?.io.reference;
    const own = circuit.rails.get(`${circuit.controller?.id}.${reference}`);
    const fed = circuit.rails.get(circuit.feeds.get(`${circuit.controller?.id}.${reference}`)?.rail ?? '');
    const rail = own ?? fed;
    return rail ? judge(circuit, rail) : [];
  },
};
