import { toInterval } from '../card/to-interval.ts';
import type { BusNode, Circuit } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overBuses } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusClockSays {
  readonly broken: { bus: Text; clock: Quantity; slowest: Text; hertz: Quantity };
  readonly holds: { bus: Text; clock: Quantity; slowest: Text; hertz: Quantity };
  readonly meaning: null;
  readonly fastestClock: null;
}

const tell = tells<BusClockSays>('bus/clock');

const meta = {
  id: 'bus/clock',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: ['ports/*/clock'],
} as const satisfies CheckMeta;

const HZ = (x: number) => quantityOf(x, 'Hz');

function judge(circuit: Circuit, bus: BusNode): Result[] {
  const { clock } = bus;
  const limits = bus.members.flatMap((member) => {
    const part = circuit.parts.get(member.part);
    const figure = part?.card.ports.find(({ id }) => id === member.port)?.clock;
    return part && figure
      ? [{ label: member.label, card: part.card.id, hertz: toInterval(figure).max, source: figure.source }]
      : [];
  });
  const slowest = limits.reduce<(typeof limits)[number] | null>(
    (a, b) => (a === null || b.hertz < a.hertz ? b : a),
    null,
  );
  if (clock === null || slowest === null) return [];
  const margin = slowest.hertz - clock;
  return [
    result(circuit, meta, {
      subjects: [bus.id],
      severity: margin < 0 ? 'fault' : null,
      measured: clock,
      limit: slowest.hertz,
      unit: 'Hz',
      margin,
      // A bus at exactly the speed of its slowest part is as it should be.
      ranked: false,
      message:
        margin < 0
          ? tell('broken', { bus: bus.name, clock: HZ(clock), slowest: slowest.label, hertz: HZ(slowest.hertz) })
          : tell('holds', { bus: bus.name, clock: HZ(clock), slowest: slowest.label, hertz: HZ(slowest.hertz) }),
      meaning: tell('meaning'),
      workings: [
        ...limits.map(({ label, hertz }) => ({ name: label, sum: tell('fastestClock'), value: hertz, unit: 'Hz' })),
        { name: term('margin'), sum: subtract(HZ(slowest.hertz), HZ(clock)), value: margin, unit: 'Hz' },
      ],
      rests: limits.map(({ card, source }) => [card, source]),
    }),
  ];
}

export const busClock = { meta, ...overBuses(judge) } satisfies Check;
