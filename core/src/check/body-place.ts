/** What a place asks of the parts that stand there. */
import { sunRise } from '../physics/sun.ts';
import { WATER } from '../card/kinds.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { placeOf } from '../circuit/place.ts';
import type { Place } from '../plan/plan.ts';
import { YEAR } from '../quantity/span.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { JUMPER_LENGTH } from '../standard/common-practice.ts';
import { busyShare } from '../circuit/rhythm.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, durationOf, tells, type Text, type Quantity, type Duration, wordOf } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { placeKey } from '../plan/ref.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BodyPlaceSays {
  readonly broken: { place: Text; measured: Quantity; part: Text; min: Quantity; max: Quantity };
  readonly holds: { part: Text; min: Quantity; max: Quantity; place: Text; from: Quantity; hottest: Quantity };
  readonly meaning: null;
  readonly distanceColdEnd: null;
  readonly distanceWarmEnd: null;
  readonly sunBox: { kelvin: Quantity };
  readonly words: { max: Quantity; to: Quantity; sun: Text };
  readonly splashed: null;
  readonly underWater: null;
  readonly noWater: null;
  readonly splashesOnly: null;
  readonly fails: { place: Text; water: Text; part: Text; stands: Text };
  readonly suits: { part: Text; stands: Text; place: Text; water: Text };
  readonly waterBetweenPinsReads: null;
  readonly rating: null;
  readonly needed: { stands: Text; water: Text };
  readonly awayLeadsReach: { place: Text; lead: Quantity; part: Text; reach: Quantity };
  readonly leadsReachAway: { part: Text; reach: Quantity; place: Text; lead: Quantity };
  readonly leadLengthenedBenchHas: null;
  readonly reach: null;
  readonly ownPlanned: { own: Quantity; planned: Quantity };
  readonly wouldBeWorkGood: { part: Text; wanted: Duration; life: Duration; says: Text };
  readonly workGood: { part: Text; wanted: Duration; life: Duration };
  readonly whatWearsOutReplaced: null;
  readonly years: { lifeYears: number; used: number };
  readonly good: null;
  readonly nothingSaidYet: { places: readonly string[]; assumed: Quantity | null };
  readonly nothingProvedWaterAir: null;
  readonly at: { name: Text };
  readonly howLongLeadsThey: { place: Text; taken: Quantity };
  readonly dry: null;
  readonly outdoors: null;
  readonly indoors: null;
  readonly closedBox: null;
  readonly open: null;
  readonly leadsAway: { lead: Quantity };
  readonly is: { place: Text; water: Text; outdoors: Text; closed: Text; lead: Text };
  readonly longerLeadHasAnother: null;
  readonly leadsAssumedBeLong: { taken: Quantity };
}

const tell = tells<BodyPlaceSays>('body/place');

const ambient = {
  id: 'body/ambient',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
  reads: ['body/ambient'],
} as const satisfies CheckMeta;
const water = {
  id: 'body/water',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;
const lead = {
  id: 'body/lead',
  station: 'need',
  breaks: 'fault',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;
const asked = {
  id: 'body/place',
  station: 'need',
  breaks: 'note',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;
const wear = {
  id: 'body/wear',
  station: 'need',
  breaks: 'caution',
  scope: 'plan',
  reads: ['body/wear/life'],
} as const satisfies CheckMeta;

const C = (x: number) => quantityOf(x, '°C');
const M = (x: number) => quantityOf(x, 'm');

function judgeAir(circuit: Circuit, part: PartNode, place: Place): Result[] {
  const figure = part.card.body?.ambient;
  if (!figure || !place.air) return [];
  const { min, max } = toInterval(figure);
  const low = place.air.from - min;
  // The sun on a closed box heats what is in it.
  const sun = place.closed ? sunRise(place) : null;
  const hottest = place.air.to + (sun?.kelvin ?? 0);
  const high = max - hottest;
  const warm = high < low;
  const margin = Math.min(low, high);
  const bounds = { measured: warm ? hottest : place.air.from, limit: warm ? max : min };
  return [
    result(circuit, ambient, {
      subjects: [part.id],
      severity: margin < 0 ? 'fault' : null,
      ...bounds,
      unit: '°C',
      margin,
      assumed: sun?.assumed ?? false,
      // A part that is made for the place exactly is no nearer to failing than another.
      ranked: false,
      message:
        margin < 0
          ? tell('broken', {
              place: place.name,
              measured: C(bounds.measured),
              part: part.label,
              min: C(min),
              max: C(max),
            })
          : tell('holds', {
              part: part.label,
              min: C(min),
              max: C(max),
              place: place.name,
              from: C(place.air.from),
              hottest: C(hottest),
            }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('distanceColdEnd'), sum: subtract(C(place.air.from), C(min)), value: low, unit: 'K' },
        {
          name: tell('distanceWarmEnd'),
          sum: tell('words', {
            max: C(max),
            to: C(place.air.to),
            sun: sun && sun.kelvin > 0 ? tell('sunBox', { kelvin: C(sun.kelvin) }) : '',
          }),
          value: high,
          unit: 'K',
        },
      ],
      rests: [[part.card.id, figure.source]],
    }),
  ];
}

function judgeWater(circuit: Circuit, part: PartNode, place: Place): Result[] {
  const stated = part.card.body?.water;
  if (!stated && place.water === 'dry') return [];
  const rank = (w: (typeof WATER)[number]) => WATER.indexOf(w);
  const stands = stated?.rating ?? 'dry';
  const fails = rank(stands) < rank(place.water);
  return [
    result(circuit, water, {
      subjects: [part.id],
      severity: fails ? 'fault' : null,
      message: fails
        ? tell('fails', {
            place: place.name,
            water: place.water === 'splash' ? tell('splashed') : tell('underWater'),
            part: part.label,
            stands: stands === 'dry' ? tell('noWater') : tell('splashesOnly'),
          })
        : tell('suits', {
            part: part.label,
            stands: wordOf('water', stands),
            place: place.name,
            water: wordOf('water', place.water),
          }),
      meaning: tell('waterBetweenPinsReads'),
      workings: [
        {
          name: tell('rating'),
          sum: tell('needed', { stands: wordOf('water', stands), water: wordOf('water', place.water) }),
        },
      ],
      rests: [[part.card.id, stated?.source]],
    }),
  ];
}

function judgeLead(circuit: Circuit, part: PartNode, place: Place): Result[] {
  // The controller is where the leads begin.
  if (place.lead === undefined || part === circuit.controller || part.choice?.needs.length === 0) return [];
  const own = Math.max(0, ...part.card.terminals.map((t) => t.lead?.length ?? 0));
  const planned = part.choice?.lead ?? 0;
  const reach = own + planned;
  return [
    result(circuit, lead, {
      subjects: [part.id],
      severity: reach < place.lead - 1e-9 ? 'fault' : null,
      measured: reach,
      limit: place.lead,
      unit: 'm',
      margin: reach - place.lead,
      ranked: false,
      message:
        reach < place.lead
          ? tell('awayLeadsReach', { place: place.name, lead: M(place.lead), part: part.label, reach: M(reach) })
          : tell('leadsReachAway', { part: part.label, reach: M(reach), place: place.name, lead: M(place.lead) }),
      meaning: tell('leadLengthenedBenchHas'),
      workings: [
        { name: tell('reach'), sum: tell('ownPlanned', { own: M(own), planned: M(planned) }), value: reach, unit: 'm' },
      ],
      rests: [[part.card.id, part.card.terminals.find((t) => t.lead)?.source]],
    }),
  ];
}

function judgeWear(circuit: Circuit, part: PartNode): Result[] {
  const figure = part.card.body?.wear;
  if (!figure) return [];
  const life = toInterval(figure.life).min;
  const rhythm = circuit.rhythms.get(part.id);
  const used = rhythm ? busyShare(rhythm).usual : 1;
  const wanted = circuit.plan.lifeYears * YEAR * used;
  return [
    result(circuit, wear, {
      subjects: [part.id],
      severity: wanted > life ? 'caution' : null,
      measured: wanted / YEAR,
      limit: life / YEAR,
      unit: 'years',
      margin: (life - wanted) / YEAR,
      message:
        wanted > life
          ? tell('wouldBeWorkGood', {
              part: part.label,
              wanted: durationOf(wanted),
              life: durationOf(life),
              says: figure.says,
            })
          : tell('workGood', { part: part.label, wanted: durationOf(wanted), life: durationOf(life) }),
      meaning: tell('whatWearsOutReplaced'),
      workings: [
        {
          name: term('work'),
          sum: tell('years', { lifeYears: circuit.plan.lifeYears, used: Number(used.toFixed(4)) }),
          value: wanted / YEAR,
          unit: 'years',
        },
        { name: tell('good'), sum: term('fromCard'), value: life / YEAR, unit: 'years' },
      ],
      rests: [[part.card.id, figure.life.source]],
    }),
  ];
}

const thereAt = (circuit: Circuit, name: string): PartNode[] =>
  [...circuit.parts.values()].filter(({ id }) => placeOf(circuit, id) === name);

/** Places of which nothing is said at all: one thing to do, so one note. */
function judgeUnsaid(circuit: Circuit, names: readonly string[]): Result[] {
  if (names.length === 0) return [];
  const there = names.flatMap((name) => thereAt(circuit, name).map((part) => ({ part, name })));
  const guessed = there.some(({ part }) => isLeadAssumed(circuit, part.id));
  return [
    result(circuit, asked, {
      subjects: names.map((name) => placeKey(name)),
      keyed: ['unsaid'],
      severity: 'note',
      message: tell('nothingSaidYet', {
        places: names,
        assumed: guessed ? M(JUMPER_LENGTH) : null,
      }),
      meaning: tell('nothingProvedWaterAir'),
      workings: there.map(({ part, name }) => ({ name: part.label, sum: tell('at', { name }) })),
    }),
  ];
}

/** A note where the leads to a place are not said, and a part is there that has none of its own. */
function judgeAsked(circuit: Circuit, place: Place): Result {
  const guessed = thereAt(circuit, place.name).filter(({ id }) => isLeadAssumed(circuit, id));
  const taken = M(JUMPER_LENGTH);
  return result(circuit, asked, {
    subjects: [placeKey(place.name)],
    severity: guessed.length > 0 ? 'note' : null,
    message:
      guessed.length > 0
        ? tell('howLongLeadsThey', { place: place.name, taken })
        : tell('is', {
            place: place.name,
            water:
              place.water === 'dry' ? tell('dry') : place.water === 'splash' ? tell('splashed') : tell('underWater'),
            outdoors: place.outdoors ? tell('outdoors') : tell('indoors'),
            closed: place.closed ? tell('closedBox') : tell('open'),
            lead: place.lead === undefined ? '' : tell('leadsAway', { lead: M(place.lead) }),
          }),
    meaning: tell('longerLeadHasAnother'),
    workings: guessed.map(({ label }) => ({ name: label, sum: tell('leadsAssumedBeLong', { taken }) })),
  });
}

export const bodyPlace = {
  meta: asked,
  run: (circuit) => {
    const names = [...new Set([...circuit.parts.keys()].flatMap((id) => placeOf(circuit, id) ?? []))];
    const known = new Map(circuit.plan.places.map((place) => [place.name, place]));
    return [
      ...judgeUnsaid(
        circuit,
        names.filter((name) => !known.has(name)),
      ),
      ...names.flatMap((name) => {
        const place = known.get(name);
        return place ? [judgeAsked(circuit, place)] : [];
      }),
    ];
  },
} satisfies Check;

/** Of parts with the place that they are at, where the plan says something about it. */
const atPlaces = (judge: (circuit: Circuit, part: PartNode, place: Place) => Result[]) =>
  overParts((circuit, part) => {
    const place = circuit.plan.places.find(({ name }) => name === placeOf(circuit, part.id));
    return place ? judge(circuit, part, place) : [];
  });

export const bodyAmbient = { meta: ambient, ...atPlaces(judgeAir) } satisfies Check;
export const bodyWater = { meta: water, ...atPlaces(judgeWater) } satisfies Check;
export const bodyLead = { meta: lead, ...atPlaces(judgeLead) } satisfies Check;
export const bodyWear = {
  meta: wear,
  ...overParts(judgeWear),
} satisfies Check;
