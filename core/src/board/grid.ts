/**
 * Solderless breadboards as geometry alone. Rows are numbered along the board; five holes of a row (a to e, or f to j on the
 * other side of the channel) are one conductor. Long strips run along both edges, plus outside and minus inside.
 * Places are in steps of the grid (0.1 in, 2.54 mm): x along the boards, y across them, the first board on top.
 */

/** m */
export const PITCH = 0.00254;

/** What a board has. */
export interface Grid {
  readonly rows: number;
  /** Pairs of long strips: none, the upper one, or both. */
  readonly pairs: 0 | 1 | 2;
  /** True where the long strips end in the middle and begin again. */
  readonly split: boolean;
}

export const COLUMNS = ['a', 'b', 'c', 'd', 'e', 'f', 'g', 'h', 'i', 'j'] as const;
export type Column = (typeof COLUMNS)[number];
/** Upper or lower, plus or minus. */
export type Strip = 'u+' | 'u-' | 'l-' | 'l+';

/** Where the columns lie across the board: five, the channel, five. */
const COLUMN_Y: Readonly<Record<Column, number>> = { a: 3, b: 4, c: 5, d: 6, e: 7, f: 10, g: 11, h: 12, i: 13, j: 14 };
const STRIP_Y: Readonly<Record<Strip, number>> = { 'u+': 0, 'u-': 1, 'l-': 16, 'l+': 17 };
/** From one board to the next below it. */
export const BOARD_STEP = 22;
/** Height of the holes of a board, from the upper plus strip to the lower one. */
export const BOARD_HEIGHT = 17;

interface RowHole {
  readonly kind: 'row';
  /** From 0. */
  readonly board: number;
  /** From 1. */
  readonly row: number;
  readonly column: Column;
}
interface StripHole {
  readonly kind: 'strip';
  readonly board: number;
  readonly strip: Strip;
  /** From 1. */
  readonly place: number;
}
export type Hole = RowHole | StripHole;

/** @example holeName({ kind: 'row', board: 0, row: 12, column: 'a' }) === '1:a12' */
export const holeName = (hole: Hole): string =>
  hole.kind === 'row' ? `${hole.board + 1}:${hole.column}${hole.row}` : `${hole.board + 1}:${hole.strip}${hole.place}`;

const NAME = /^([1-8]):(?:([a-j])(\d{1,3})|([ul][+-])(\d{1,3}))$/;

/** @returns null for a text that is no hole. */
export function parseHole(name: string): Hole | null {
  const found = NAME.exec(name);
  if (!found) return null;
  const board = Number(found[1]) - 1;
  return found[2]
    ? { kind: 'row', board, column: found[2] as Column, row: Number(found[3]) }
    : { kind: 'strip', board, strip: found[4] as Strip, place: Number(found[5]) };
}

const GROUP = 5;
/** Holes of one long strip: groups of five with a gap between them. */
export const stripPlaces = ({ rows }: Grid): number => Math.floor(rows / (GROUP + 1)) * GROUP;
const stripX = (place: number): number => place + 1 + Math.floor((place - 1) / GROUP);

export const stripsOf = ({ pairs }: Grid): readonly Strip[] =>
  pairs === 0 ? [] : pairs === 1 ? ['u+', 'u-'] : ['u+', 'u-', 'l-', 'l+'];

/** Whether a board has that hole. */
export function hasHole(grids: readonly Grid[], hole: Hole): boolean {
  const grid = grids[hole.board];
  if (!grid) return false;
  return hole.kind === 'row'
    ? hole.row >= 1 && hole.row <= grid.rows
    : stripsOf(grid).includes(hole.strip) && hole.place >= 1 && hole.place <= stripPlaces(grid);
}

/** In steps of the grid. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

export function pointOfHole(hole: Hole): Point {
  const top = hole.board * BOARD_STEP;
  return hole.kind === 'row'
    ? { x: hole.row, y: top + COLUMN_Y[hole.column] }
    : { x: stripX(hole.place), y: top + STRIP_Y[hole.strip] };
}

/** The hole at a place, if there is one. Places lie on whole steps. */
export function holeAt(grids: readonly Grid[], { x, y }: Point): Hole | null {
  const board = Math.floor(y / BOARD_STEP);
  const across = y - board * BOARD_STEP;
  const column = COLUMNS.find((c) => COLUMN_Y[c] === across);
  if (column) {
    const hole: Hole = { kind: 'row', board, row: x, column };
    return hasHole(grids, hole) ? hole : null;
  }
  const grid = grids[board];
  const strip = grid && stripsOf(grid).find((s) => STRIP_Y[s] === across);
  if (!grid || !strip) return null;
  for (let place = 1; place <= stripPlaces(grid); place++)
    if (stripX(place) === x) return { kind: 'strip', board, strip, place };
  return null;
}

/** Distance of two places in steps of the grid. */
export const distance = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** All holes of the conductor that a hole belongs to: five of a row, or one run of a long strip. */
export function conductorOf(grids: readonly Grid[], hole: Hole): string {
  if (hole.kind === 'row') return `${hole.board + 1}:${hole.column <= 'e' ? 'a-e' : 'f-j'} ${hole.row}`;
  const grid = grids[hole.board];
  const half = grid?.split ? (hole.place <= stripPlaces(grid) / 2 ? ' left' : ' right') : '';
  return `${hole.board + 1}:${hole.strip}${half}`;
}
