import { plugFits } from '../circuit/cable.ts';
import { SOCKET } from '../card/kinds.ts';
import type { Circuit, Feed } from '../circuit/model.ts';
import { socketOf } from '../circuit/socket.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';
import { overFeeds } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyPlugSays {
  readonly endsPlugOrOutlet: { source: Text; board: Text };
  readonly meaning: null;
  readonly plugSocket: { source: Text; plug: Text; board: Text; socket: Text };
  readonly hasNoPlugNo: { source: Text; board: Text };
  readonly withoutPlugFitsThere: null;
  readonly plug: { plug: Text };
  readonly missing: { source: Text; board: Text; plug: Text; count: number };
  readonly cable: { source: Text };
  readonly holds: { card: Text; board: Text };
  readonly cableWithoutDataWires: null;
}

const tell = tells<SupplyPlugSays>('supply/plug');

const meta = {
  id: 'supply/plug',
  station: 'power',
  breaks: 'fault',
  scope: 'part',
  reads: [],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, feed: Feed): Result[] {
  const board = circuit.parts.get(feed.part);
  const source = circuit.parts.get(circuit.rails.get(feed.rail ?? '')?.part ?? '');
  if (!board || !source) return [];
  const socket = feed.supply.id === SOCKET;
  if (!socket && source.card.outlet === undefined) return [];
  const subjects = [keyOf(board.id, feed.supply.id)];
  const usb = socketOf(board.card);
  const rests = [
    [board.card.id, usb?.source],
    [source.card.id, source.card.outlet?.source],
  ] as const;
  if (!socket)
    return [
      result(circuit, meta, {
        subjects,
        severity: 'fault',
        message: tell('endsPlugOrOutlet', { source: source.label, board: board.label }),
        meaning: tell('meaning'),
        rests,
      }),
    ];
  if (!plugFits(source.card, board.card))
    return [
      result(circuit, meta, {
        subjects,
        severity: 'fault',
        message: source.card.outlet
          ? tell('plugSocket', {
              source: source.label,
              plug: source.card.outlet.plug ?? '',
              board: board.label,
              socket: usb?.plug ?? '',
            })
          : tell('hasNoPlugNo', { source: source.label, board: board.label }),
        meaning: tell('withoutPlugFitsThere'),
        rests,
      }),
    ];
  const run = circuit.cables.get(board.id);
  const missing = run && !run.own && !run.card;
  return [
    result(circuit, meta, {
      subjects,
      severity: missing ? 'note' : null,
      message: missing
        ? tell('missing', {
            source: source.label,
            board: board.label,
            plug: usb?.plug ? tell('plug', { plug: usb.plug }) : '',
            count: run.length,
          })
        : tell('holds', {
            card: run?.card ? `A ${run.card.name}` : tell('cable', { source: source.label }),
            board: board.label,
          }),
      meaning: tell('cableWithoutDataWires'),
      rests: [...rests, run?.card ? [run.card.id, run.card.cable?.source] : null],
    }),
  ];
}

export const supplyPlug = {
  meta,
  ...overFeeds(judge),
} satisfies Check;
