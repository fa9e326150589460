import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Member } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overBuses } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusStretchingSays {
  readonly noHold: { member: Text };
  readonly waits: { member: Text; held: Quantity; label: Text };
  readonly holds: { member: Text; held: Quantity; label: Text };
  readonly meaning: null;
  readonly longestHold: null;
  readonly controller: null;
  readonly waitsWord: null;
  readonly doesNotWait: null;
  readonly commandsWithoutHold: null;
  readonly used: null;
  readonly thereSome: null;
  readonly none: null;
}

const tell = tells<BusStretchingSays>('bus/stretching');

const meta = {
  id: 'bus/stretching',
  station: 'bus',
  breaks: 'fault',
  scope: 'part',
  reads: ['ports/*/stretches/longest'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, member: Member): Result[] {
  const part = circuit.parts.get(member.part);
  const stretches = part?.card.ports.find(({ id }) => id === member.port)?.stretches;
  const board = circuit.controller?.card.controller;
  if (!part || !stretches || !board || !circuit.controller) return [];
  const waits = board.waitsForStretching?.waits ?? true;
  const noHold = stretches.noHold && part.choice?.ports[member.port]?.noHold === true;
  const seconds = toInterval(stretches.longest).max;
  const held = quantityOf(seconds, 's');
  const { label } = circuit.controller;
  return [
    result(circuit, meta, {
      subjects: [keyOf(member.part, member.port)],
      severity: waits || noHold ? null : 'fault',
      measured: seconds,
      limit: waits ? null : 0,
      unit: 's',
      margin: null,
      message: noHold
        ? tell('noHold', { member: member.label })
        : waits
          ? tell('waits', { member: member.label, held, label })
          : tell('holds', { member: member.label, held, label }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('longestHold'), sum: term('fromCard'), value: seconds, unit: 's' },
        { name: tell('controller'), sum: waits ? tell('waitsWord') : tell('doesNotWait') },
        {
          name: tell('commandsWithoutHold'),
          sum: stretches.noHold ? (noHold ? tell('used') : tell('thereSome')) : tell('none'),
        },
      ],
      rests: [
        [part.card.id, stretches.longest.source],
        [circuit.controller.card.id, board.waitsForStretching?.source],
      ],
    }),
  ];
}

export const busStretching = {
  meta,
  ...overBuses((circuit, { protocol, members }) =>
    protocol === 'i2c' ? members.flatMap((member) => judge(circuit, member)) : [],
  ),
} satisfies Check;
