import type { Circuit, PartNode } from '../circuit/model.ts';
import { placeOf } from '../circuit/place.ts';
import type { Place } from '../plan/plan.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { placeKey } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface BodyCondensationSays {
  readonly boxAsWellAir: null;
  readonly dewFallsCoatBoards: { place: Text; bare: readonly Text[]; closed: Text };
  readonly meaning: null;
  readonly cardPromisesNoSplash: null;
}

const tell = tells<BodyCondensationSays>('body/condensation');

const meta = {
  id: 'body/condensation',
  station: 'need',
  breaks: 'note',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

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
      subjects: [placeKey(place.name), ...bare.map(({ id }) => id)],
      keyed: [placeKey(place.name)],
      severity: 'note',
      message: tell('dewFallsCoatBoards', {
        place: place.name,
        bare: bare.map(({ label }) => label),
        closed: place.closed ? tell('boxAsWellAir') : '',
      }),
      meaning: tell('meaning'),
      workings: bare.map(({ label }) => ({ name: label, sum: tell('cardPromisesNoSplash') })),
    }),
  ];
}

export const bodyCondensation = {
  meta,
  run: (circuit) =>
    circuit.plan.places.flatMap((place) =>
      judge(
        circuit,
        place,
        [...circuit.parts.values()].filter(({ id }) => placeOf(circuit, id) === place.name),
      ),
    ),
} satisfies Check;
