/** What a place asks of the parts that stand there. */
import { sunRise } from '../physics/sun.ts';
import { WATER } from '../card/kinds.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { placeOf } from '../circuit/place.ts';
import type { Place } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { YEAR, formatSpan } from '../quantity/span.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { JUMPER_LENGTH } from '../standard/practice.ts';
import { busyShare } from '../circuit/draw.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const ambient: CheckMeta = {
  id: 'body/ambient',
  title: 'Parts stand the air where they are',
  station: 'need',
  rule: 'The air of the place lies inside what the card allows.',
  source: 'the cards',
  breaks: 'fault',
};
const water: CheckMeta = {
  id: 'body/water',
  title: 'Parts stand the water where they are',
  station: 'need',
  rule: 'The card’s rating (dry, splash, immersion) is at least that of the place.',
  source: 'the cards',
  breaks: 'fault',
};
const lead: CheckMeta = {
  id: 'body/lead',
  title: 'Leads reach their place',
  station: 'need',
  rule: 'The leads planned for a part and its own wires together are at least as long as the way to its place.',
  source: 'the plan and the cards',
  breaks: 'fault',
};
const asked: CheckMeta = {
  id: 'body/place',
  title: 'What a place is has been said',
  station: 'need',
  rule: 'Of every place where a part is the plan says whether it is wet, indoors or out, a closed box, and how long the leads to it are. Until it does, jumpers are assumed, and what is proved by their length counts as on trust.',
  source: 'common practice',
  breaks: 'note',
};
const wear: CheckMeta = {
  id: 'body/wear',
  title: 'Parts outlast the build',
  station: 'need',
  rule: 'Planned life × share of the time at work ≤ the life in use of the card.',
  source: 'the cards',
  breaks: 'caution',
};

/** Parts with the place that they are at, where the plan says something about it. */
const placed = (circuit: Circuit): { part: PartNode; place: Place }[] =>
  [...circuit.parts.values()].flatMap((part) => {
    const place = circuit.plan.places.find(({ name }) => name === placeOf(circuit, part.id));
    return place ? [{ part, place }] : [];
  });

const C = (x: number) => formatQuantity(x, '°C');
const M = (x: number) => formatQuantity(x, 'm');

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
          ? `At “${place.name}” it gets ${C(bounds.measured)}; ${part.label} works from ${C(min)} to ${C(max)}.`
          : `${part.label} works from ${C(min)} to ${C(max)}; “${place.name}” has ${C(place.air.from)} to ${C(hottest)}.`,
      meaning: 'Outside its range a part reads wrongly or stops, often only on the first cold night.',
      workings: [
        { name: 'distance to the cold end', sum: `${C(place.air.from)} − ${C(min)}`, value: low, unit: 'K' },
        {
          name: 'distance to the warm end',
          sum: `${C(max)} − ${C(place.air.to)}${sun && sun.kelvin > 0 ? ` − ${C(sun.kelvin)} of sun on the box` : ''}`,
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
        ? `“${place.name}” is ${place.water === 'splash' ? 'splashed' : 'under water'}; ${part.label} stands ${stands === 'dry' ? 'no water' : 'splashes only'}.`
        : `${part.label} (${stands}) suits “${place.name}” (${place.water}).`,
      meaning: 'Water between pins reads like a pull-up at first, and corrodes them later.',
      workings: [{ name: 'rating', sum: `${stands}, needed ${place.water}` }],
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
          ? `“${place.name}” is ${M(place.lead)} away; the leads of ${part.label} reach ${M(reach)}.`
          : `The leads of ${part.label} reach ${M(reach)}; “${place.name}” is ${M(place.lead)} away.`,
      meaning:
        'A lead that is lengthened at the bench has another capacitance and another drop than the one that was planned.',
      workings: [{ name: 'reach', sum: `${M(own)} of its own + ${M(planned)} planned`, value: reach, unit: 'm' }],
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
          ? `${part.label} would be at work for ${formatSpan(wanted)}; it is good for ${formatSpan(life)}. ${figure.says}`
          : `${part.label} is at work for ${formatSpan(wanted)} of the ${formatSpan(life)} that it is good for.`,
      meaning: 'What wears out is replaced, or switched on only while someone looks.',
      workings: [
        {
          name: 'at work',
          sum: `${circuit.plan.lifeYears} years × ${Number(used.toFixed(4))}`,
          value: wanted / YEAR,
          unit: 'years',
        },
        { name: 'good for', sum: 'from the card', value: life / YEAR, unit: 'years' },
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
  const one = names.length === 1;
  const quoted = names.map((name) => `“${name}”`);
  const said = one ? quoted[0] : `${quoted.slice(0, -1).join(', ')} and ${quoted.at(-1)}`;
  const asks = one
    ? 'is it wet, what is its air, is it a closed box, how long are the leads to it?'
    : 'are they wet, what is their air, are they closed boxes, how long are the leads to them?';
  return [
    result(circuit, asked, {
      subjects: names.map((name) => `place:${name}`),
      keyed: ['unsaid'],
      severity: 'note',
      message: `Nothing is said of ${said} yet: ${asks}${guessed ? ` ${one ? 'Its' : 'Their'} leads count as ${M(JUMPER_LENGTH)} meanwhile, assumed.` : ''}`,
      meaning: 'Nothing is proved of water and air there, and a longer lead has another drop and another capacitance.',
      workings: there.map(({ part, name }) => ({ name: part.label, sum: `at “${name}”` })),
    }),
  ];
}

/** A note where the leads to a place are not said, and a part is there that has none of its own. */
function judgeAsked(circuit: Circuit, place: Place): Result {
  const guessed = thereAt(circuit, place.name).filter(({ id }) => isLeadAssumed(circuit, id));
  const taken = M(JUMPER_LENGTH);
  return result(circuit, asked, {
    subjects: [`place:${place.name}`],
    severity: guessed.length > 0 ? 'note' : null,
    message:
      guessed.length > 0
        ? `How long are the leads to “${place.name}”? They count as ${taken} meanwhile, assumed.`
        : `“${place.name}” is ${place.water === 'dry' ? 'dry' : place.water === 'splash' ? 'splashed' : 'under water'}, ${place.outdoors ? 'outdoors' : 'indoors'}, ${place.closed ? 'a closed box' : 'open'}${place.lead === undefined ? '' : `, ${M(place.lead)} of leads away`}.`,
    meaning: 'A longer lead has another drop and another capacitance than the one that was assumed.',
    workings: guessed.map(({ label }) => ({ name: label, sum: `its leads are assumed to be ${taken} long` })),
  });
}

export const bodyPlace: Check = {
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
};

const atPlaces =
  (judge: (circuit: Circuit, part: PartNode, place: Place) => Result[]): Check['run'] =>
  (circuit) =>
    placed(circuit).flatMap(({ part, place }) => judge(circuit, part, place));

export const bodyAmbient: Check = { meta: ambient, run: atPlaces(judgeAir) };
export const bodyWater: Check = { meta: water, run: atPlaces(judgeWater) };
export const bodyLead: Check = { meta: lead, run: atPlaces(judgeLead) };
export const bodyWear: Check = {
  meta: wear,
  run: (circuit) => [...circuit.parts.values()].flatMap((part) => judgeWear(circuit, part)),
};
