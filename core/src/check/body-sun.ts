import type { Circuit, PartNode } from '../circuit/model.ts';
import { placeOf } from '../circuit/place.ts';
import { sunRise } from '../physics/sun.ts';
import type { Place, SenseNeed } from '../plan/plan.ts';
import { sensingNeeds } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { placeKey } from '../plan/ref.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BodySunSays {
  readonly asLongAsNobody: null;
  readonly broken: { place: Text; part: Text; kelvin: Quantity; assumed: Text };
  readonly holds: { place: Text; kelvin: Quantity; part: Text };
  readonly meaning: null;
  readonly sunAdds: null;
}

const tell = tells<BodySunSays>('body/sun');

const meta = {
  id: 'body/sun',
  station: 'need',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

const AIR = new Set(['air temperature', 'air humidity']);

function judge(circuit: Circuit, part: PartNode, place: Place, need: SenseNeed): Result[] {
  const { kelvin, sum, assumed } = sunRise(place);
  const limit = need.quantity === 'air temperature' ? need.accuracy : 1;
  const margin = limit - kelvin;
  const K = (x: number) => quantityOf(x, 'K', 2);
  return [
    result(circuit, meta, {
      subjects: [part.id, placeKey(place.name)],
      severity: margin < 0 ? 'caution' : null,
      measured: kelvin,
      limit,
      unit: 'K',
      margin,
      assumed,
      message:
        margin < 0
          ? tell('broken', {
              place: place.name,
              part: part.label,
              kelvin: K(kelvin),
              assumed: assumed ? tell('asLongAsNobody') : '',
            })
          : tell('holds', { place: place.name, kelvin: K(kelvin), part: part.label }),
      meaning: tell('meaning'),
      workings: [{ name: tell('sunAdds'), sum, value: kelvin, unit: 'K' }],
    }),
  ];
}

export const bodySun = {
  meta,
  ...overParts((circuit, part) => {
    const place = circuit.plan.places.find(({ name }) => name === placeOf(circuit, part.id));
    const [need] = sensingNeeds(circuit, part.id).filter(({ quantity }) => AIR.has(quantity));
    return place?.outdoors && need ? judge(circuit, part, place, need) : [];
  }),
} satisfies Check;
