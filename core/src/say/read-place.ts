/** A place of a build as it is typed: a hole, a pin of a part, a joint. The other way round of `Places.say`. */
import { say } from './say.ts';
import { hasHole, parseHole, stripPlaces, stripsOf } from '../board/grid.ts';
import type { Circuit } from '../circuit/model.ts';
import type { Layout, LeadPoint } from '../circuit/laid.ts';

const ROW = /^(?:board\s*)?(?:(\d)\s*[:,]\s*)?([a-j])\s*(\d{1,3})$/;
const STRIP = /^(?:board\s*)?(?:(\d)\s*[:,]\s*)?(upper|lower|u|l)\s*([+\-−])\s*(\d{1,3})$/;
const JOINT = /^joint\s*(\S+)$/;

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[\s,]+/g, ' ')
    .trim();

/** Pins that a probe reaches, as they are said: "display, SDA". */
function pins({ parts }: Circuit): { says: string; part: string; point: LeadPoint }[] {
  return [...parts.values()].flatMap(({ id, label, card }) =>
    card.terminals.map((terminal) => ({
      says: `${say(label)}, ${terminal.label}`,
      part: id,
      point: { kind: 'terminal', part: id, terminal: terminal.id } as const,
    })),
  );
}

/** What can be typed besides holes: every pin of every part once, in the order of the plan, and the joints. */
export const placeNames = (circuit: Circuit, layout: Layout): string[] => [
  ...new Set([...pins(circuit).map(({ says }) => says), ...layout.joints.map(({ id }) => `joint ${id}`)]),
];

function readHole(layout: Layout, text: string): LeadPoint | null {
  const row = ROW.exec(text);
  const strip = STRIP.exec(text);
  if (!row && !strip) return null;
  const name = row
    ? `${row[1] ?? 1}:${row[2]}${Number(row[3])}`
    : `${strip?.[1] ?? 1}:${strip?.[2]?.slice(0, 1)}${strip?.[3] === '+' ? '+' : '-'}${Number(strip?.[4])}`;
  const hole = parseHole(name);
  const grids = layout.boards.map(({ grid }) => grid);
  if (hole && hasHole(grids, hole)) return { kind: 'hole', hole: name };
  const board = Number(row?.[1] ?? strip?.[1] ?? 1);
  const grid = grids[board - 1];
  throw new Error(
    grid
      ? `no hole "${text}": board ${board} has rows 1 to ${grid.rows}${row ? '' : `, strips ${stripsOf(grid).join(', ')} of ${stripPlaces(grid)} holes`}`
      : `no hole "${text}": the build has ${grids.length} ${grids.length === 1 ? 'board' : 'boards'}`,
  );
}

/**
 * @param text "a12", "board 2, a12", "2:a12", "upper + 5", "display, SDA", "joint 3"
 * @throws Error that says what was expected
 */
export function readPlace(circuit: Circuit, layout: Layout, text: string): LeadPoint {
  const wanted = plain(text);
  // A bracket behind a hole says what is in it.
  const bare = text
    .toLowerCase()
    .replace(/\(.*\)\s*$/, '')
    .trim();
  const own = pins(circuit).filter(({ says }) => plain(says) === wanted);
  // Pins of one part that are called the same are one inside it; parts that are called the same are not.
  const parts = new Set(own.map(({ part }) => part)).size;
  if (parts > 1) throw new Error(`"${text.trim()}" is a pin of ${parts} parts: give them names of their own at Need`);
  if (own[0]) return own[0].point;
  const hole = readHole(layout, bare);
  if (hole) return hole;
  const joint = JOINT.exec(bare)?.[1];
  if (joint && layout.joints.some(({ id }) => id === joint)) return { kind: 'joint', joint };
  throw new Error(
    `"${text.trim()}" is no place: a hole such as a12 or upper + 5, or a pin such as ${pins(circuit)[0]?.says ?? 'board, GND'}`,
  );
}
