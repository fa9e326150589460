/** Where leads can run in a drawing of the boards: points half a step apart, between the holes and round what is written. */
import type { Box } from '../board/footprint.ts';
import type { Point } from '../board/grid.ts';
import { offLine } from './boxes.ts';

/** Points to a step of the grid: one between two holes. */
const FINE = 2;
/** What a bend costs, in points of way. */
const BEND = 3;
const CLOSED = 0;
/** Along x, along y, and back. */
const DX = [1, 0, -1, 0] as const;
const DY = [0, 1, 0, -1] as const;
const DIRECTIONS = 4;
/** A line closer than this to a point goes through one of the ways that meet there. */
const NEAR = 0.36;

/** Costs are whole numbers, so what is to be looked at next lies in buckets. */
class Buckets {
  private readonly buckets: number[][] = [];
  private at = 0;

  put(cost: number, state: number): void {
    (this.buckets[cost] ??= []).push(state);
    this.at = Math.min(this.at, cost);
  }

  take(): number | null {
    for (; this.at < this.buckets.length; this.at++) {
      const state = this.buckets[this.at]?.pop();
      if (state !== undefined) return state;
    }
    return null;
  }
}

export class Lattice {
  private readonly columns: number;
  private readonly rows: number;
  /** What it costs to come to a point; 0 where nothing may go. */
  private readonly costs: Uint8Array;
  /** The point whose leads alone may go there, plus one; 0 where any may. */
  private readonly owners: Int32Array;

  /** @param box steps of the grid, whole ones */
  constructor(readonly box: Box) {
    this.columns = Math.round((box.right - box.left) * FINE) + 1;
    this.rows = Math.round((box.bottom - box.top) * FINE) + 1;
    this.costs = new Uint8Array(this.columns * this.rows).fill(1);
    this.owners = new Int32Array(this.columns * this.rows);
  }

  private index({ x, y }: Point): number {
    const [column, row] = [Math.round((x - this.box.left) * FINE), Math.round((y - this.box.top) * FINE)];
    return column < 0 || row < 0 || column >= this.columns || row >= this.rows ? -1 : row * this.columns + column;
  }

  private point(index: number): Point {
    const row = Math.floor(index / this.columns);
    return { x: this.box.left + (index - row * this.columns) / FINE, y: this.box.top + row / FINE };
  }

  private each({ left, right, top, bottom }: Box, then: (index: number) => void): void {
    const up = (value: number) => Math.ceil(value * FINE - 1e-6) / FINE;
    for (let y = up(top); y <= bottom + 1e-6; y += 1 / FINE)
      for (let x = up(left); x <= right + 1e-6; x += 1 / FINE) {
        const index = this.index({ x, y });
        if (index >= 0) then(index);
      }
  }

  /** Nothing goes through a box, or closer to it than so many steps. */
  close({ left, right, top, bottom }: Box, by = 0): void {
    this.each({ left: left - by, right: right + by, top: top - by, bottom: bottom + by }, (index) => {
      this.costs[index] = CLOSED;
    });
  }

  /** Nothing goes through a box but what ends in its middle. */
  reserve(box: Box, middle: Point): void {
    const owner = this.index(middle) + 1;
    this.each(box, (index) => {
      this.owners[index] = owner;
    });
  }

  /** What goes through a box costs more there. */
  weigh(box: Box, cost: number): void {
    this.each(box, (index) => {
      if (this.costs[index] !== CLOSED) this.costs[index] = cost;
    });
  }

  /** Nothing crosses a straight line. */
  closeLine(a: Point, b: Point): void {
    const around = {
      left: Math.min(a.x, b.x) - NEAR,
      right: Math.max(a.x, b.x) + NEAR,
      top: Math.min(a.y, b.y) - NEAR,
      bottom: Math.max(a.y, b.y) + NEAR,
    };
    this.each(around, (index) => {
      if (offLine(this.point(index), a, b) < NEAR) this.costs[index] = CLOSED;
    });
  }

  /**
   * The cheapest way between two points along the lattice, bends counted; its ends may be closed, nothing between them.
   * @returns its corners, both ends among them; null where there is none
   */
  way(from: Point, to: Point): readonly Point[] | null {
    const [start, end] = [this.index(from), this.index(to)];
    if (start < 0 || end < 0 || start === end) return null;
    const endRow = Math.floor(end / this.columns);
    const endColumn = end - endRow * this.columns;
    const least = (row: number, column: number) => Math.abs(row - endRow) + Math.abs(column - endColumn);
    const best = new Float32Array(this.costs.length * DIRECTIONS).fill(Infinity);
    const before = new Int32Array(this.costs.length * DIRECTIONS).fill(-1);
    const waiting = new Buckets();
    for (let direction = 0; direction < DIRECTIONS; direction++) {
      best[start * DIRECTIONS + direction] = 0;
      waiting.put(0, start * DIRECTIONS + direction);
    }
    for (let state = waiting.take(); state !== null; state = waiting.take()) {
      const index = Math.floor(state / DIRECTIONS);
      const heading = state - index * DIRECTIONS;
      if (index === end) return this.corners(before, state);
      const row = Math.floor(index / this.columns);
      const column = index - row * this.columns;
      for (let direction = 0; direction < DIRECTIONS; direction++) {
        const [r, c] = [row + (DY[direction] ?? 0), column + (DX[direction] ?? 0)];
        if (r < 0 || c < 0 || r >= this.rows || c >= this.columns) continue;
        const next = r * this.columns + c;
        const step = this.costs[next] ?? CLOSED;
        if (step === CLOSED && next !== end) continue;
        const owner = (this.owners[next] ?? 0) - 1;
        if (owner >= 0 && owner !== start && owner !== end) continue;
        const cost = (best[state] ?? 0) + Math.max(1, step) + (direction === heading ? 0 : BEND);
        if (cost >= (best[next * DIRECTIONS + direction] ?? 0)) continue;
        const reached = next * DIRECTIONS + direction;
        best[reached] = cost;
        before[reached] = state;
        waiting.put(cost + least(r, c), reached);
      }
    }
    return null;
  }

  private corners(before: Int32Array, last: number): Point[] {
    const states: number[] = [];
    for (let state = last; state >= 0; state = before[state] ?? -1) states.push(state);
    states.reverse();
    return states.flatMap((state, i) => {
      const next = states[i + 1];
      const corner = i === 0 || next === undefined || next % DIRECTIONS !== state % DIRECTIONS;
      return corner ? [this.point(Math.floor(state / DIRECTIONS))] : [];
    });
  }

  /** A way is taken: nothing else goes along it or over it. */
  take(way: readonly Point[]): void {
    way.forEach((a, i) => {
      const b = way[i + 1];
      if (b)
        this.close({
          left: Math.min(a.x, b.x),
          right: Math.max(a.x, b.x),
          top: Math.min(a.y, b.y),
          bottom: Math.max(a.y, b.y),
        });
    });
  }
}
