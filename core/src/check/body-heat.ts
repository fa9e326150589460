import { quantityName } from '../card/quantities.ts';
import { gap } from '../board/footprint.ts';
import { PITCH } from '../board/grid.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { putDown } from '../circuit/put-down.ts';
import { airAt, boxWarmth, dissipation, riseAt } from '../physics/heat.ts';
import { frontOf } from '../physics/analog-front.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { humidityShift } from '../standard/humidity.ts';
import { BOX_LOSS, BOX_SURFACE, USUAL_ROOM } from '../standard/common-practice.ts';
import { servants } from './need-words.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';
import { errorOver, measureFor } from './sense-error.ts';
import { quantityOf, tells, type Quantity, type Text, type Message } from '../quantity/message.ts';
import { term } from './terms.ts';

/** What is said here, by the data that it takes. */
export interface BodyHeatSays {
  readonly feltAway: { metres: Quantity };
  readonly of: { part: Text; term: Text };
  readonly board: { watts: Quantity };
  readonly box: { place: Text };
  readonly allBox: null;
  readonly wMKM: { watts: Quantity; boxloss: number; boxsurface: number };
  readonly too: { measured: Quantity; quantity: Text };
  readonly wrong: { part: Text; kelvin: Quantity; from: readonly Text[]; offsets: readonly Text[]; left: Quantity };
  readonly holds: { part: Text; kelvin: Quantity; from: readonly Text[]; said: Text; left: Quantity };
  readonly meaning: null;
  readonly humidityReadsTooLow: null;
  readonly rhEsCEs: { to: number; at: number; until: Quantity };
  readonly left: { quantity: Text };
  readonly wantedOwn: { accuracy: Quantity; own: Quantity };
}

const tell = tells<BodyHeatSays>('body/heat');

const meta = {
  id: 'body/heat',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: ['measures/*/range', 'supplies/*/current/active', 'supplies/*/current/idle'],
} as const satisfies CheckMeta;

/** Quantities that a warm neighbour falsifies. */
const AIR = new Set(['air temperature', 'air humidity']);

const K = (x: number) => quantityOf(x, 'K', 2);
const W = (x: number) => quantityOf(x, 'W');

/** K: less than this from a neighbour is not worth a line. */
const LEAST_RISE = 0.02;

interface Rise {
  readonly kelvin: number;
  readonly steps: readonly Step[];
  readonly from: Text;
}

function besideRise(circuit: Circuit, part: PartNode): Rise | null {
  const beside = part.choice?.beside;
  const hot = beside && circuit.parts.get(beside.part);
  return beside && hot ? riseFrom(circuit, hot, beside.distance) : null;
}

/** From everything that was put down on the same boards by hand. */
function boardRises(circuit: Circuit, part: PartNode): Rise[] {
  const all = putDown(circuit);
  const own = all.find((p) => p.part.id === part.id);
  return own
    ? all
        .filter((p) => p !== own && p.part.id !== part.choice?.beside?.part)
        .map((p) => riseFrom(circuit, p.part, Math.max(1, gap(own.box, p.box)) * PITCH))
        .filter(({ kelvin }) => kelvin > LEAST_RISE)
    : [];
}

function riseFrom(circuit: Circuit, hot: PartNode, metres: number): Rise {
  const heat = dissipation(circuit, hot);
  const kelvin = riseAt(heat.watts, metres);
  return {
    kelvin,
    from: hot.label,
    steps: [
      ...heat.terms.map(({ name, sum, watts }) => ({
        name: tell('of', { part: hot.label, term: name }),
        sum,
        value: watts,
        unit: 'W',
      })),
      {
        name: tell('feltAway', { metres: quantityOf(metres, 'm') }),
        sum: tell('board', { watts: W(heat.watts) }),
        value: kelvin,
        unit: 'K',
      },
    ],
  };
}

function boxRise(circuit: Circuit, part: PartNode): Rise | null {
  const box = boxWarmth(circuit, part.id);
  return (
    box && {
      kelvin: box.kelvin,
      from: tell('box', { place: box.place }),
      steps: [
        {
          name: tell('allBox'),
          sum: tell('wMKM', { watts: W(box.watts), boxloss: BOX_LOSS, boxsurface: BOX_SURFACE }),
          value: box.kelvin,
          unit: 'K',
        },
      ],
    }
  );
}

type Air = ReturnType<typeof airAt>;

interface Offset {
  readonly need: SenseNeed;
  readonly measured: number;
  /** What the part leaves of the accuracy wanted. */
  readonly limit: number;
  readonly own: number;
  /** °C, the air at which it is worst. */
  readonly air: number;
  readonly source: string;
}

/** What a rise does to the reading for one need. */
function offsetOf(circuit: Circuit, part: PartNode, need: SenseNeed, kelvin: number, air: Air): Offset | null {
  const measure = measureFor(part.card, need);
  if (!measure) return null;
  const own = errorOver(part.card, measure, need, circuit.plan.lifeYears, frontOf(circuit, part, measure))?.total ?? 0;
  const humid = need.quantity === 'air humidity';
  // The same rise dries cold air further than warm air, so both ends of it are tried.
  const shifts = [air.from, air.to].map((at) => ({ at, shift: humidityShift(need.to, at, kelvin) }));
  const worst = shifts.reduce((a, b) => (b.shift > a.shift ? b : a));
  return {
    need,
    air: worst.at,
    measured: humid ? worst.shift : kelvin,
    limit: Math.max(0, need.accuracy - own),
    own,
    source: measure.range.source,
  };
}

const strain = ({ measured, limit }: Offset): number => measured / Math.max(limit, 1e-9);
const said = ({ need, measured }: Offset): Message =>
  tell('too', {
    measured: quantityOf(measured, need.unit, 2),
    quantity: need.quantity === 'air humidity' ? term('low') : term('high'),
  });

/** One result for a part, however many of its readings are falsified: the neighbour is one cause. */
function judge(circuit: Circuit, part: PartNode, needs: readonly SenseNeed[], rises: readonly Rise[]): Result[] {
  const kelvin = rises.reduce((sum, rise) => sum + rise.kelvin, 0);
  const air = airAt(circuit, part.id, { from: USUAL_ROOM, to: USUAL_ROOM });
  const offsets = needs
    .flatMap((need) => offsetOf(circuit, part, need, kelvin, air) ?? [])
    .sort((a, b) => strain(b) - strain(a));
  const [worst] = offsets;
  if (!worst) return [];
  const { measured, limit, need } = worst;
  const left = quantityOf(limit, need.unit, 2);
  const from = rises.map((rise) => rise.from);
  const wrong = measured > limit + 1e-9;
  const neighbour = circuit.parts.get(part.choice?.beside?.part ?? '')?.card;
  return [
    result(circuit, meta, {
      subjects: [part.id],
      severity: wrong ? 'fault' : null,
      measured,
      limit,
      unit: need.unit,
      margin: limit - measured,
      message: wrong
        ? tell('wrong', { part: part.label, kelvin: K(kelvin), from, offsets: offsets.map(said), left })
        : tell('holds', { part: part.label, kelvin: K(kelvin), from, said: said(worst), left }),
      meaning: tell('meaning'),
      workings: [
        ...rises.flatMap(({ steps }) => steps),
        ...offsets.flatMap(({ need: n, measured: m, limit: l, own, air: at }) => {
          const U = (x: number) => quantityOf(x, n.unit, 2);
          return [
            ...(n.quantity === 'air humidity'
              ? [
                  {
                    name: tell('humidityReadsTooLow'),
                    sum: tell('rhEsCEs', { to: n.to, at, until: quantityOf(at + kelvin, '°C') }),
                    value: m,
                    unit: n.unit,
                  },
                ]
              : []),
            {
              name: tell('left', { quantity: quantityName(n.quantity) }),
              sum: tell('wantedOwn', { accuracy: U(n.accuracy), own: U(own) }),
              value: l,
              unit: n.unit,
            },
          ];
        }),
      ],
      rests: [
        ...offsets.map(({ source }) => [part.card.id, source] as const),
        neighbour ? [neighbour.id, neighbour.supplies[0]?.current.active.source] : null,
      ],
    }),
  ];
}

export const bodyHeat = {
  meta,
  run: (circuit) => {
    const wanted = new Map<PartNode, SenseNeed[]>();
    for (const need of circuit.plan.needs) {
      if (need.kind !== 'sense' || !AIR.has(need.quantity)) continue;
      for (const part of servants(circuit, need.id)) wanted.set(part, [...(wanted.get(part) ?? []), need]);
    }
    return [...wanted].flatMap(([part, needs]) => {
      const rises = [besideRise(circuit, part), ...boardRises(circuit, part), boxRise(circuit, part)].flatMap(
        (rise) => rise ?? [],
      );
      return rises.length > 0 ? judge(circuit, part, needs, rises) : [];
    });
  },
} satisfies Check;
