import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Member } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/stretching',
  title: 'A part that stretches the clock is waited for',
  station: 'bus',
  rule: 'A target that holds the clock low while it is busy stands on a controller that waits for it, or is read with commands that do not hold the clock.',
  source: 'UM10204 §3.1.9 (from memory); the cards',
  breaks: 'fault',
};

function judge(circuit: Circuit, member: Member): Result[] {
  const part = circuit.parts.get(member.part);
  const stretches = part?.card.ports.find(({ id }) => id === member.port)?.stretches;
  const board = circuit.controller?.card.controller;
  if (!part || !stretches || !board || !circuit.controller) return [];
  const waits = board.waitsForStretching?.waits ?? true;
  const noHold = stretches.noHold && part.choice?.ports[member.port]?.noHold === true;
  const seconds = toInterval(stretches.longest).max;
  const held = formatQuantity(seconds, 's');
  const { label } = circuit.controller;
  return [
    result(circuit, meta, {
      subjects: [`${member.part}.${member.port}`],
      severity: waits || noHold ? null : 'fault',
      measured: seconds,
      limit: waits ? null : 0,
      unit: 's',
      margin: null,
      message: noHold
        ? `${member.label} is read with the commands that do not hold the clock.`
        : waits
          ? `${member.label} holds the clock for up to ${held}; ${label} waits.`
          : `${member.label} holds the clock for up to ${held}; ${label} does not wait. It reads a wrong byte, or nothing.`,
      meaning:
        'A controller that does not wait goes on clocking while the part is still working: the first reading after a pause is nonsense.',
      workings: [
        { name: 'longest hold', sum: 'from the card', value: seconds, unit: 's' },
        { name: 'the controller', sum: waits ? 'waits' : 'does not wait' },
        { name: 'commands without hold', sum: stretches.noHold ? (noHold ? 'used' : 'there are some') : 'none' },
      ],
      rests: [
        [part.card.id, stretches.longest.source],
        [circuit.controller.card.id, board.waitsForStretching?.source],
      ],
    }),
  ];
}

export const busStretching: Check = {
  meta,
  run: (circuit) =>
    circuit.buses
      .filter(({ protocol }) => protocol === 'i2c')
      .flatMap(({ members }) => members.flatMap((member) => judge(circuit, member))),
};
