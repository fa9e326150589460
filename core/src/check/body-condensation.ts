import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { placeOf } from '../circuit/place.ts';
import type { Place } from '../plan/plan.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'body/condensation',
  title: 'Dew does not fall on a bare board',
  station: 'need',
  rule: 'A board that stands no splash is not at a place where dew falls: outdoors, in a closed box there as well, or where the air is wanted to be read at 95 %RH and above - unless its card says that it may be splashed.',
  source: 'common practice',
  breaks: 'note',
};

/** %RH at which every cold night brings dew. */
const WET = 95;

function judge(circuit: Circuit, place: Place, parts: readonly PartNode[]): Result[] {
  const wet = circuit.plan.needs.some(
    (need) => need.kind === 'sense' && need.quantity === 'air humidity' && need.place === place.name && need.to >= WET,
  );
  const bare = parts.filter(({ card }) => (card.body?.water?.rating ?? 'dry') === 'dry' && card.kind !== 'source');
  if ((!place.outdoors && !wet) || bare.length === 0) return [];
  return [
    result(circuit, meta, {
      subjects: [`place:${place.name}`, ...bare.map(({ id }) => id)],
      keyed: [`place:${place.name}`],
      severity: 'note',
      message: `Dew falls at “${place.name}” on ${bare.map(({ label }) => label).join(', ')}${place.closed ? ', in the box as well: air comes in with every cold night' : ''}. Coat the boards but not what feels the air, let the box drain at its lowest place, and dry a humidity part that sticks at 100 % by warming it.`,
      meaning: 'Water between two pins is a resistor that comes and goes.',
      workings: bare.map(({ label }) => ({ name: label, sum: 'its card promises no splash' })),
    }),
  ];
}

export const bodyCondensation: Check = {
  meta,
  run: (circuit) =>
    circuit.plan.places.flatMap((place) =>
      judge(
        circuit,
        place,
        [...circuit.parts.values()].filter(({ id }) => placeOf(circuit, id) === place.name),
      ),
    ),
};
