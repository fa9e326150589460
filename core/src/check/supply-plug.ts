import { plugFits } from '../circuit/cable.ts';
import { SOCKET } from '../card/kinds.ts';
import type { Circuit, Feed } from '../circuit/circuit.ts';
import { socketOf } from '../circuit/socket.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/plug',
  title: 'Plugs go into sockets, and wires into holes',
  station: 'power',
  rule: 'What goes into a board’s socket has a plug or an outlet for a cable, of that shape; a source with a plug feeds nothing by loose leads.',
  source: 'the cards',
  breaks: 'fault',
};

function judge(circuit: Circuit, feed: Feed): Result[] {
  const board = circuit.parts.get(feed.part);
  const source = circuit.parts.get(circuit.rails.get(feed.rail ?? '')?.part ?? '');
  if (!board || !source) return [];
  const socket = feed.supply.id === SOCKET;
  if (!socket && source.card.outlet === undefined) return [];
  const subjects = [`${board.id}.${feed.supply.id}`];
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
        message: `${source.label} ends in a plug or an outlet; ${board.label} is to be fed by loose leads, and there is nothing to put them into.`,
        meaning: 'A cable that is cut open has no strain relief and no sure polarity.',
        rests,
      }),
    ];
  if (!plugFits(source.card, board.card))
    return [
      result(circuit, meta, {
        subjects,
        severity: 'fault',
        message: source.card.outlet
          ? `The plug of ${source.label} is ${source.card.outlet.plug}; the socket of ${board.label} is ${usb?.plug}.`
          : `${source.label} has no plug and no outlet for the socket of ${board.label}.`,
        meaning: 'Without a plug that fits there is no supply.',
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
        ? `The cable from ${source.label} to ${board.label}${usb?.plug ? ` (plug ${usb.plug})` : ''} is not among the leads of the plan; one of ${run.length} m is assumed.`
        : `${run?.card ? `A ${run.card.name}` : `The cable of ${source.label}`} fits the socket of ${board.label}.`,
      meaning: 'A cable without data wires feeds the board and cannot program it.',
      rests: [...rests, run?.card ? [run.card.id, run.card.cable?.source] : null],
    }),
  ];
}

export const supplyPlug: Check = {
  meta,
  run: (circuit) => [...circuit.feeds.values()].flatMap((feed) => judge(circuit, feed)),
};
