import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { USUAL_DIODE } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'drive/diode',
  title: 'Every diode carries and blocks what it has to',
  station: 'power',
  rule: 'In a feed: the peak of what is fed ≤ the diode’s current × the house rule’s share, and the rail that it keeps apart ≤ what it blocks. Across a coil: the coil’s current, for a moment, ≤ the diode’s current, and its supply ≤ what the diode blocks.',
  source: 'the cards; a diode of which nothing is said counts as one of 1 A and 50 V (common practice)',
  breaks: 'fault',
};

const A = (x: number) => formatQuantity(x, 'A');
const V = (x: number) => formatQuantity(x, 'V');

interface Duty {
  readonly subjects: readonly string[];
  readonly card: Card;
  readonly amps: number;
  readonly volts: number;
  /** Of its rating that may flow. */
  readonly share: number;
  readonly where: string;
}

function duties(circuit: Circuit): Duty[] {
  const inFeeds = circuit.guards.flatMap((guard): Duty[] => {
    const card = circuit.cards.get(guard.card);
    const feed = circuit.feeds.get(`${guard.part}.${guard.supply}`);
    if (guard.by !== 'diode' || !card || !feed) return [];
    return [
      {
        subjects: [guard.helper, guard.part],
        card,
        amps: feed.peak,
        // Whatever else meets the supply is what it keeps out of its rail.
        volts: Math.max(feed.voltage?.max ?? 0, circuit.rails.get(guard.rail)?.voltage?.max ?? 0),
        share: circuit.plan.rules.derating,
        where: `in the feed of ${circuit.parts.get(guard.part)?.label ?? guard.part}`,
      },
    ];
  });
  const acrossCoils = circuit.plan.helpers.flatMap((helper): Duty[] => {
    if (helper.kind !== 'diode') return [];
    const card = circuit.cards.get(helper.card);
    const load = circuit.parts.get(helper.part);
    const [supply] = load?.card.supplies ?? [];
    if (!card || !load || !supply) return [];
    const volts = circuit.feeds.get(`${load.id}.${supply.id}`)?.voltage?.max ?? 0;
    const amps = toInterval(supply.current.active).max;
    return [{ subjects: [helper.id, load.id], card, amps, volts, share: 1, where: `across ${load.label}` }];
  });
  return [...inFeeds, ...acrossCoils];
}

function judge(circuit: Circuit, { subjects, card, amps, volts, share, where }: Duty): Result[] {
  const { diode } = card;
  const carries = diode ? toInterval(diode.current).min : USUAL_DIODE.current;
  const blocks = diode ? toInterval(diode.reverse).min : USUAL_DIODE.reverse;
  const limit = carries * share;
  const current = limit - amps >= 0;
  const broken = !current || volts > blocks;
  return [
    result(circuit, meta, {
      subjects,
      severity: broken ? 'fault' : null,
      ...(current && broken
        ? { measured: volts, limit: blocks, unit: 'V', margin: blocks - volts }
        : { measured: amps, limit, unit: 'A', margin: limit - amps }),
      message: !current
        ? `The ${card.name} ${where} has to carry ${A(amps)}; ${A(limit)} may flow. It overheats.`
        : broken
          ? `The ${card.name} ${where} has to keep ${V(volts)} back; it blocks ${V(blocks)}. It breaks through.`
          : `The ${card.name} ${where} carries ${A(amps)} of ${A(limit)} and keeps back ${V(volts)} of ${V(blocks)}.`,
      meaning: 'A diode beyond its rating fails as a short: what it kept apart is then joined.',
      workings: [
        { name: 'flows at the most', sum: where, value: amps, unit: 'A' },
        {
          name: 'may flow',
          sum: `${A(carries)}${share === 1 ? ', for a moment' : ` × ${share}`}${diode ? '' : ', usual where nothing is said'}`,
          value: limit,
          unit: 'A',
        },
        { name: 'keeps back', sum: `of ${V(blocks)}`, value: volts, unit: 'V' },
      ],
      assumed: diode === undefined,
      rests: diode ? [[card.id, diode.current.source]] : [],
    }),
  ];
}

export const driveDiode: Check = { meta, run: (circuit) => duties(circuit).flatMap((duty) => judge(circuit, duty)) };
