import { legsIn } from '../plan/helpers.ts';
import { multiply } from '../quantity/sum.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import type { Circuit } from '../circuit/model.ts';
import { USUAL_DIODE } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface DriveDiodeSays {
  readonly feed: { part: Text };
  readonly across: { load: Text };
  readonly holds: { card: Text; where: Text; amps: Quantity; limit: Quantity };
  readonly broken: { card: Text; where: Text; volts: Quantity; blocks: Quantity };
  readonly carriesKeepsBack: {
    card: Text;
    where: Text;
    amps: Quantity;
    limit: Quantity;
    volts: Quantity;
    blocks: Quantity;
  };
  readonly meaning: null;
  readonly flowsMost: null;
  readonly carries: { carries: Sum; moment: boolean; usual: boolean };
  readonly keepsBack: null;
  readonly words: { blocks: Quantity };
}

const tell = tells<DriveDiodeSays>('drive/diode');

const meta = {
  id: 'drive/diode',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: ['diode/current', 'diode/reverse'],
} as const satisfies CheckMeta;

const A = (x: number) => quantityOf(x, 'A');
const V = (x: number) => quantityOf(x, 'V');

interface Duty {
  readonly subjects: readonly string[];
  readonly card: Card;
  readonly amps: number;
  readonly volts: number;
  /** Of its rating that may flow. */
  readonly share: number;
  readonly where: Text;
}

function duties(circuit: Circuit): Duty[] {
  const inFeeds = circuit.guards.flatMap((guard): Duty[] => {
    const card = circuit.cards.get(guard.card);
    const feed = circuit.feeds.get(keyOf(guard.part, guard.supply));
    if (guard.by !== 'diode' || !card || !feed) return [];
    return [
      {
        subjects: [guard.helper, guard.part],
        card,
        amps: feed.peak,
        // Whatever else meets the supply is what it keeps out of its rail.
        volts: Math.max(feed.voltage?.max ?? 0, circuit.rails.get(guard.rail)?.voltage?.max ?? 0),
        share: circuit.plan.rules.derating,
        where: tell('feed', { part: circuit.parts.get(guard.part)?.label ?? guard.part }),
      },
    ];
  });
  const acrossCoils = legsIn(circuit.plan, 'coil-diode').flatMap((leg): Duty[] => {
    const card = circuit.cards.get(leg.card);
    const load = circuit.parts.get(leg.part);
    const [supply] = load?.card.supplies ?? [];
    if (!card || !load || !supply) return [];
    const volts = circuit.feeds.get(keyOf(load.id, supply.id))?.voltage?.max ?? 0;
    const amps = toInterval(supply.current.active).max;
    return [
      { subjects: [leg.helper, load.id], card, amps, volts, share: 1, where: tell('across', { load: load.label }) },
    ];
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
        ? tell('holds', { card: card.name, where, amps: A(amps), limit: A(limit) })
        : broken
          ? tell('broken', { card: card.name, where, volts: V(volts), blocks: V(blocks) })
          : tell('carriesKeepsBack', {
              card: card.name,
              where,
              amps: A(amps),
              limit: A(limit),
              volts: V(volts),
              blocks: V(blocks),
            }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('flowsMost'), sum: where, value: amps, unit: 'A' },
        {
          name: term('mayFlow'),
          sum: tell('carries', {
            carries: share === 1 ? A(carries) : multiply(A(carries), share),
            moment: share === 1,
            usual: diode === undefined,
          }),
          value: limit,
          unit: 'A',
        },
        { name: tell('keepsBack'), sum: tell('words', { blocks: V(blocks) }), value: volts, unit: 'V' },
      ],
      assumed: diode === undefined,
      rests: diode ? [[card.id, diode.current.source]] : [],
    }),
  ];
}

export const driveDiode = {
  meta,
  run: (circuit) => duties(circuit).flatMap((duty) => judge(circuit, duty)),
} satisfies Check;
