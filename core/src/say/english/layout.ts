/** Words about boards. */
import type { BoardHoleTextSays } from '../../board/hole-text.ts';
import type { LayoutLaySays } from '../../layout/lay.ts';
import type { ReadbackProveSays } from '../../readback/prove.ts';
import { topic } from '../language.ts';
import { commas, counted, list, plural } from './grammar.ts';

/** Which board, where there is more than one. */
const on = (board: number | string | null): string => (board === null ? '' : `board ${board}, `);

const strip = (upper: boolean, plus: boolean): string => `${upper ? 'upper' : 'lower'} ${plus ? '+' : '−'}`;

export const layout = {
  'board/hole-text': topic<BoardHoleTextSays>({
    says: {
      hole: ({ board, column, row }) => `${on(board)}${column}${row}`,
      strip: ({ board, upper, plus, place }) => `${on(board)}${strip(upper, plus)} ${place}`,
      row: ({ board, row }) => `${on(board)}row ${row}`,
      line: ({ board, upper, plus, half }) =>
        `${on(board)}${strip(upper, plus)}${half === null ? '' : `, ${half} half`}`,
    },
  }),
  'layout/lay': topic<LayoutLaySays>({
    says: {
      thereNoRoomPins: ({ label }) =>
        `There is no room for ${label}: its pins need rows of their own with a free hole beside each, and its body and the plugs of the others must not meet. Take a longer board, or one more.`,
      noFreeRowOr: ({ label }) => `No free row or hole is left for ${label}. Take a longer board, or one more.`,
    },
  }),
  'readback/prove': topic<ReadbackProveSays>({
    says: {
      pin: ({ part, terminal }) => `${part}, ${terminal}`,
      lead: ({ colour }) => `${colour} lead`,
      joint: ({ joint }) => `joint ${joint}`,
      places: ({ places }) => commas(places),
      noHole: ({ what, hole }) => `${what} goes to ${hole}, which no board has.`,
      holeTaken: ({ what, there, hole }) => `${what} and ${there} are both in ${hole}.`,
      noStand: ({ part }) => `${part} cannot stand on a board.`,
      pinOffBoard: ({ part, terminal }) => `Pin ${terminal} of ${part} meets no hole.`,
      onePlace: ({ part, other }) => `${part} and ${other} stand in one place.`,
      covered: ({ what, hole, part }) => `${what} goes to ${hole}, which ${part} covers.`,
      jointFull: ({ joint, wires }) => `Joint ${joint} takes ${counted(wires, 'wire')}, not more.`,
      noTerminal: ({ what, part, terminal }) => `${what} goes to ${terminal} of ${part}, which is not there.`,
      terminalFull: ({ part, terminal, wires }) =>
        `${terminal} of ${part} takes ${plural(wires, 'one lead', `${wires} wires`)}, not more.`,
      exchanged: ({ one, other, node, otherNode }) =>
        `${one} and ${other} are exchanged: the first is on ${node}, the second on ${otherNode}.`,
      open: ({ pin, to, node }) => `${pin} is not joined with ${to}: ${node} is open there.`,
      oneCopper: ({ node, other, where }) => `${node} and ${other} are one piece of copper, at ${where}.`,
      astray: ({ pin, node, other, where }) => `${pin} belongs to ${node} and is joined with ${other}, at ${where}.`,
      unusedJoined: ({ pin, other }) => `${pin} is not used and is joined with ${other}.`,
      groundJoined: ({ pin, other }) => `${pin} is a ground and is joined with ${other}.`,
      legsMissing: ({ value, kind }) => `${value} (${kind}) is not in.`,
      legsExtra: ({ value, kind, places }) => `${value} (${kind}) at ${list(places)} belongs to nothing.`,
      legsOther: ({ value, wanted, places }) => `${value} stands at ${list(places)}, where ${wanted} is wanted.`,
      legsOneStrip: ({ value, places }) => `${value}: both legs are on one strip, at ${list(places)}.`,
      legsTurned: ({ value, leg, node }) => `${value} is the wrong way round: its ${leg} belongs on ${node}.`,
      legsElsewhere: ({ value, places, nodes }) =>
        `${value} stands between ${list(places)}; it belongs between ${list(nodes)}.`,
    },
  }),
};
