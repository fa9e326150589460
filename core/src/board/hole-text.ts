/** How holes and rows are called. */
import { tells, type Text } from '../quantity/message.ts';
import { parseHole } from './grid.ts';

export interface BoardHoleTextSays {
  /** Board null where there is only one. */
  readonly hole: { board: number | null; column: string; row: number };
  readonly strip: { board: number | null; upper: boolean; plus: boolean; place: number };
  readonly row: { board: string | null; row: string };
  readonly line: { board: string | null; upper: boolean; plus: boolean; half: 'left' | 'right' | null };
}

const tell = tells<BoardHoleTextSays>('board/hole-text');

/**
 * A hole as it is said.
 * @param name "1:a12"
 * @param boards how many there are: of one board nobody says which
 */
export function holeText(name: string, boards: number): Text {
  const hole = parseHole(name);
  if (!hole) return name;
  const board = boards > 1 ? hole.board + 1 : null;
  return hole.kind === 'row'
    ? tell('hole', { board, column: hole.column, row: hole.row })
    : tell('strip', {
        board,
        upper: hole.strip.startsWith('u'),
        plus: hole.strip.endsWith('+'),
        place: hole.place,
      });
}

/**
 * A row or strip as it is said.
 * @param name as `conductorOf` gives it: "1:a-e 12", "1:u+ left"
 */
export function rowText(name: string, boards: number): Text {
  const [, number = '', rest = ''] = /^(\d+):(.*)$/.exec(name) ?? [];
  const board = boards > 1 ? number : null;
  const [, strip, half] = /^([ul][+-])(?: (left|right))?$/.exec(rest) ?? [];
  return strip === undefined
    ? tell('row', { board, row: rest })
    : tell('line', {
        board,
        upper: strip.startsWith('u'),
        plus: strip.endsWith('+'),
        half: half === 'left' || half === 'right' ? half : null,
      });
}
