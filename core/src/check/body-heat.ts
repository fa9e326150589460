import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { airAt, dissipation, placeOf, riseAt, type Dissipation } from '../physics/heat.ts';
import { frontOf } from '../physics/analog-front.ts';
import type { Place, SenseNeed } from '../plan/plan.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { humidityShift } from '../standard/humidity.ts';
import { BOX_LOSS, BOX_SURFACE, USUAL_ROOM } from '../standard/practice.ts';
import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';
import { errorOver, measureFor } from './sense-error.ts';

const meta: CheckMeta = {
  id: 'body/heat',
  title: 'Nothing warms a part that feels the air',
  station: 'power',
  rule: 'Estimated rise at the part, from what it stands beside (P ÷ (2π·k·t) × K0(r·√(2h ÷ (k·t)))) and from all that is in one closed box outdoors (P ÷ (U × A)), against the accuracy that the part itself leaves over. A warm humidity part reads low by the Magnus formula.',
  source:
    'point source on a thin plate: Carslaw and Jaeger; Magnus constants: WMO Guide annex 4.B (both from memory); k·t, h, U and A are estimates of common practice',
  breaks: 'fault',
};

/** Quantities that a warm neighbour falsifies. */
const AIR = new Set(['air temperature', 'air humidity']);

const K = (x: number) => formatQuantity(x, 'K', 2);
const W = (x: number) => formatQuantity(x, 'W');

interface Rise {
  readonly kelvin: number;
  readonly steps: readonly Step[];
  readonly from: string;
}

function besideRise(circuit: Circuit, part: PartNode): Rise | null {
  const beside = part.choice?.beside;
  const hot = beside && circuit.parts.get(beside.part);
  if (!beside || !hot) return null;
  const heat = dissipation(circuit, hot);
  const kelvin = riseAt(heat.watts, beside.distance);
  return {
    kelvin,
    from: hot.label,
    steps: [
      ...heat.terms.map(({ name, sum, watts }) => ({ name: `${hot.label}, ${name}`, sum, value: watts, unit: 'W' })),
      {
        name: `felt ${formatQuantity(beside.distance, 'm')} away`,
        sum: `of ${W(heat.watts)}, on the board`,
        value: kelvin,
        unit: 'K',
      },
    ],
  };
}

function boxRise(circuit: Circuit, part: PartNode, all: readonly Dissipation[]): Rise | null {
  const name = placeOf(circuit, part.id);
  const place: Place | undefined = circuit.plan.places.find((p) => p.name === name);
  if (!place?.closed || !place.outdoors) return null;
  const inside = all.filter((d) => placeOf(circuit, d.part) === place.name);
  const watts = inside.reduce((sum, d) => sum + d.watts, 0);
  const kelvin = watts / (BOX_LOSS * BOX_SURFACE);
  return {
    kelvin,
    from: `the box at “${place.name}”`,
    steps: [
      {
        name: `all that is in the box`,
        sum: `${W(watts)} ÷ (${BOX_LOSS} W/(m²·K) × ${BOX_SURFACE} m²)`,
        value: kelvin,
        unit: 'K',
      },
    ],
  };
}

function judge(circuit: Circuit, need: SenseNeed, part: PartNode, rises: readonly Rise[]): Result[] {
  const measure = measureFor(part.card, need);
  if (!measure || rises.length === 0) return [];
  const kelvin = rises.reduce((sum, rise) => sum + rise.kelvin, 0);
  const humid = need.quantity === 'air humidity';
  const air = airAt(circuit, part.id, { from: USUAL_ROOM, to: USUAL_ROOM }).to;
  const measured = humid ? humidityShift(need.to, air, kelvin) : kelvin;
  const own = errorOver(part.card, measure, need, circuit.plan.lifeYears, frontOf(circuit, part, measure))?.total ?? 0;
  const limit = Math.max(0, need.accuracy - own);
  const U = (x: number) => formatQuantity(x, need.unit, 2);
  const from = rises.map((rise) => rise.from).join(' and ');
  const wrong = measured > limit + 1e-9;
  return [
    result(circuit, meta, {
      subjects: [part.id, need.id],
      severity: wrong ? 'fault' : null,
      measured,
      limit,
      unit: need.unit,
      margin: limit - measured,
      message: wrong
        ? `${part.label} is about ${K(kelvin)} warmer than the air, from ${from}; it reads about ${U(measured)} too ${humid ? 'low' : 'high'}. ${U(limit)} is left of the accuracy wanted.`
        : `${part.label} is about ${K(kelvin)} warmer than the air, from ${from}: ${U(measured)} of the ${U(limit)} that are left.`,
      meaning: 'No calibration helps: the offset comes and goes with the load of the neighbour.',
      workings: [
        ...rises.flatMap(({ steps }) => steps),
        ...(humid
          ? [
              {
                name: 'reads too low by',
                sum: `${need.to} %RH × (1 − es(${air} °C) ÷ es(${formatQuantity(air + kelvin, '°C')}))`,
                value: measured,
                unit: '%RH',
              },
            ]
          : []),
        { name: 'left over', sum: `${U(need.accuracy)} wanted − ${U(own)} of its own`, value: limit, unit: need.unit },
      ],
      rests: [
        [part.card.id, measure.range.source],
        ...(part.choice?.beside
          ? [
              [
                circuit.parts.get(part.choice.beside.part)?.card.id ?? '',
                circuit.parts.get(part.choice.beside.part)?.card.supplies[0]?.current.active.source,
              ] as const,
            ]
          : []),
      ],
    }),
  ];
}

export const bodyHeat: Check = {
  meta,
  run: (circuit) => {
    const closed = circuit.plan.places.some((place) => place.closed && place.outdoors);
    const all = closed ? [...circuit.parts.values()].map((part) => dissipation(circuit, part)) : [];
    return circuit.plan.needs.flatMap((need) =>
      need.kind === 'sense' && AIR.has(need.quantity)
        ? servants(circuit, need.id).flatMap((part) =>
            judge(
              circuit,
              need,
              part,
              [besideRise(circuit, part), boxRise(circuit, part, all)].flatMap((r) => r ?? []),
            ),
          )
        : [],
    );
  },
};
