/** The holes of the boards with numbers, and what is in them. */
import { covers, type Box } from '../board/footprint.ts';
import {
  BOARD_STEP,
  COLUMNS,
  conductorOf,
  holeName,
  pointOfHole,
  stripPlaces,
  stripsOf,
  type Grid,
  type Hole,
  type Point,
} from '../board/grid.ts';

export interface FieldHole extends Point {
  readonly name: string;
  /** Number of the conductor: a row of five, or a run of a long strip. */
  readonly group: number;
}

export interface Group {
  readonly key: string;
  readonly strip: boolean;
  readonly holes: readonly number[];
  /** Of its holes, on the average. */
  readonly middle: Point;
}

/** What never changes: numbers of holes and conductors. */
export class Field {
  readonly holes: FieldHole[] = [];
  readonly groups: Group[] = [];
  readonly groupOf = new Map<string, number>();
  readonly byName = new Map<string, number>();
  private readonly byPlace = new Map<number, number>();
  private readonly width: number;

  constructor(readonly grids: readonly Grid[]) {
    this.width = Math.max(1, ...grids.map(({ rows }) => rows)) + 2;
    const members: number[][] = [];
    const add = (hole: Hole) => {
      const key = conductorOf(grids, hole);
      const group = this.groupOf.get(key) ?? members.push([]) - 1;
      this.groupOf.set(key, group);
      const place = pointOfHole(hole);
      const index = this.holes.push({ ...place, name: holeName(hole), group }) - 1;
      this.byName.set(holeName(hole), index);
      this.byPlace.set(place.y * this.width + place.x, index);
      members[group]?.push(index);
    };
    grids.forEach((grid, board) => {
      for (let row = 1; row <= grid.rows; row++) for (const column of COLUMNS) add({ kind: 'row', board, row, column });
      for (const strip of stripsOf(grid))
        for (let place = 1; place <= stripPlaces(grid); place++) add({ kind: 'strip', board, strip, place });
    });
    for (const [key, group] of this.groupOf) {
      const holes = members[group] ?? [];
      const mean = (of: (hole: FieldHole) => number) =>
        holes.reduce((sum, h) => sum + of(this.hole(h)), 0) / Math.max(1, holes.length);
      this.groups[group] = {
        key,
        strip: /:[ul]/.test(key),
        holes,
        middle: { x: mean(({ x }) => x), y: mean(({ y }) => y) },
      };
    }
  }

  hole(index: number): FieldHole {
    return this.holes[index] as FieldHole;
  }
  group(index: number): Group {
    return this.groups[index] as Group;
  }
  at(x: number, y: number): number | undefined {
    return x < 0 || x >= this.width ? undefined : this.byPlace.get(y * this.width + x);
  }

  /** Holes that a box covers. */
  under(box: Box): number[] {
    const found: number[] = [];
    for (let y = Math.ceil(box.top); y <= box.bottom; y++)
      for (let x = Math.max(0, Math.ceil(box.left)); x <= Math.min(this.width - 1, box.right); x++) {
        const hole = this.at(x, y);
        if (hole !== undefined && covers(box, { x, y })) found.push(hole);
      }
    return found;
  }

  /** Of a place, the board that it is on. */
  boardAt(y: number): number {
    return Math.floor(y / BOARD_STEP);
  }
}
