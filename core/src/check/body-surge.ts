import type { Circuit, Net } from '../circuit/model.ts';
import { placeOf } from '../circuit/place.ts';
import { LONG_OUTDOORS } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BodySurgeSays {
  readonly standBetweenLeadOutdoors: { ohms: Quantity; pin: Text; count: Quantity; part: Text };
  readonly leadOutdoorsGoStraight: { count: Quantity; part: Text; pin: Text };
  readonly meaning: null;
  readonly line: null;
  readonly resistorsPlan: null;
}

const tell = tells<BodySurgeSays>('body/surge');

const meta = {
  id: 'body/surge',
  station: 'levels',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

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
          ? tell('standBetweenLeadOutdoors', {
              ohms: quantityOf(ohms, 'Ω'),
              pin: pin.label,
              count: quantityOf(first.length, 'm'),
              part: first.part.label,
            })
          : tell('leadOutdoorsGoStraight', {
              count: quantityOf(first.length, 'm'),
              part: first.part.label,
              pin: pin.label,
            }),
      meaning: tell('meaning'),
      workings: [{ name: tell('line'), sum: tell('resistorsPlan'), value: ohms, unit: 'Ω' }],
    }),
  ];
}

export const bodySurge = { meta, ...overNets(judge) } satisfies Check;
