import { toInterval } from '../card/to-interval.ts';
import type { BusNode, Circuit } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/clock',
  title: 'The bus is not faster than its slowest part',
  station: 'bus',
  rule: 'The clock of a bus is at most the fastest clock of every part on it.',
  source: 'the cards',
  breaks: 'fault',
};

const HZ = (x: number) => formatQuantity(x, 'Hz');

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
          ? `${bus.name} runs at ${HZ(clock)}; ${slowest.label} follows ${HZ(slowest.hertz)} at most. It misses bits or does not answer.`
          : `${bus.name} runs at ${HZ(clock)}; its slowest part, ${slowest.label}, follows ${HZ(slowest.hertz)}.`,
      meaning:
        'The clock is common to all parts of a bus: one slow part slows the whole bus, or wants a bus of its own.',
      workings: [
        ...limits.map(({ label, hertz }) => ({ name: label, sum: 'fastest clock', value: hertz, unit: 'Hz' })),
        { name: 'margin', sum: `${HZ(slowest.hertz)} − ${HZ(clock)}`, value: margin, unit: 'Hz' },
      ],
      rests: limits.map(({ card, source }) => [card, source]),
    }),
  ];
}

export const busClock: Check = { meta, run: (circuit) => circuit.buses.flatMap((bus) => judge(circuit, bus)) };
