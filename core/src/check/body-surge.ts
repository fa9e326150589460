import type { Circuit, Net } from '../circuit/circuit.ts';
import { placeOf } from '../circuit/place.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { LONG_OUTDOORS } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'body/surge',
  title: 'Long leads outdoors end in something that takes a surge',
  station: 'levels',
  rule: 'A line of its own that comes 3 m or more from outdoors has a resistor in it at the pin (100 Ω to 1 kΩ); clamps and an earthed screen are for the hand to add.',
  source: 'common practice',
  breaks: 'caution',
};

function judge(circuit: Circuit, net: Net): Result[] {
  const pin = net.ends.find((end) => end.controller);
  const far = net.ends.flatMap((end) => {
    const part = end.controller ? undefined : circuit.parts.get(end.part);
    const place = part && circuit.plan.places.find(({ name }) => name === placeOf(circuit, part.id));
    const own = part?.card.terminals.find(({ id }) => id === end.terminal)?.lead?.length ?? 0;
    const length = (part?.choice?.lead ?? 0) + own;
    return part && place?.outdoors && length >= LONG_OUTDOORS ? [{ part, length }] : [];
  });
  const [first] = far;
  // On a bus a resistor takes from the low level of all; its leads are for bus/long-leads to say.
  if (!pin || !first || net.bus !== null) return [];
  const ohms = net.series.reduce((sum, { ohms: each }) => sum + each, 0);
  return [
    result(circuit, meta, {
      subjects: [first.part.id, net.id],
      severity: ohms > 0 ? null : 'caution',
      measured: first.length,
      limit: LONG_OUTDOORS,
      unit: 'm',
      margin: LONG_OUTDOORS - first.length,
      ranked: false,
      message:
        ohms > 0
          ? `${formatQuantity(ohms, 'Ω')} stand between ${pin.label} and the ${formatQuantity(first.length, 'm')} of lead outdoors to ${first.part.label}.`
          : `The ${formatQuantity(first.length, 'm')} of lead outdoors to ${first.part.label} go straight into ${pin.label}; a storm far away is enough to break it. A resistor of 100 Ω to 1 kΩ at the pin, and clamps where it comes in, take most of it.`,
      meaning: 'A long lead is an antenna for lightning; the pin is what it finds at the end.',
      workings: [{ name: 'in the line', sum: 'resistors of the plan', value: ohms, unit: 'Ω' }],
    }),
  ];
}

export const bodySurge: Check = { meta, run: (circuit) => circuit.nets.flatMap((net) => judge(circuit, net)) };
