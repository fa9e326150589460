/** The rulings of a table. */
import type { Column } from './columns.ts';
import type { Ruling } from './page.ts';

/** How high the level rulings stand that cross a column. */
export const levels = (rulings: readonly Ruling[], column: Column): number[] => {
  const x = column.middle;
  return rulings.filter((r) => r.y0 === r.y1 && r.x0 <= x && r.x1 >= x).map(({ y0 }) => y0);
};
/** Whether one of these heights lies between two others. */
export const between = (ys: readonly number[], a: number, b: number): boolean =>
  ys.some((y) => y > Math.min(a, b) && y < Math.max(a, b) - 0.1);
