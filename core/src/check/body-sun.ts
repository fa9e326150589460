import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { placeOf } from '../circuit/place.ts';
import { sunRise } from '../physics/sun.ts';
import type { Place, SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { sensingNeeds } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'body/sun',
  title: 'The sun does not read the air',
  station: 'need',
  rule: 'What the sun adds to a part that feels the air - in a closed box α·G·A ÷ (U·A), bare α·G ÷ (4·h) - is at most the accuracy wanted; in the shade nothing, under a ventilated shield a tenth.',
  source: 'heat balance; α, G, U, A and h are estimates of common practice',
  breaks: 'caution',
};

const AIR = new Set(['air temperature', 'air humidity']);

function judge(circuit: Circuit, part: PartNode, place: Place, need: SenseNeed): Result[] {
  const { kelvin, sum, assumed } = sunRise(place);
  const limit = need.quantity === 'air temperature' ? need.accuracy : 1;
  const margin = limit - kelvin;
  const K = (x: number) => formatQuantity(x, 'K', 2);
  return [
    result(circuit, meta, {
      subjects: [part.id, `place:${place.name}`],
      severity: margin < 0 ? 'caution' : null,
      measured: kelvin,
      limit,
      unit: 'K',
      margin,
      assumed,
      message:
        margin < 0
          ? `At “${place.name}” the sun makes ${part.label} about ${K(kelvin)} warmer than the air${assumed ? ', as long as nobody says that it stands in the shade' : ''}. A shield that air blows through takes most of it.`
          : `At “${place.name}” the sun adds ${K(kelvin)} to ${part.label}.`,
      meaning: 'A box in the sun reads the box. Weather stations stand in white shields for this.',
      workings: [{ name: 'the sun adds', sum, value: kelvin, unit: 'K' }],
    }),
  ];
}

export const bodySun: Check = {
  meta,
  run: (circuit) =>
    [...circuit.parts.values()].flatMap((part) => {
      const place = circuit.plan.places.find(({ name }) => name === placeOf(circuit, part.id));
      const [need] = sensingNeeds(circuit, part.id).filter(({ quantity }) => AIR.has(quantity));
      return place?.outdoors && need ? judge(circuit, part, place, need) : [];
    }),
};
