/**
 * Everything that a card can say and that is no figure, by its place: the closed lists, names, flags and tables. Together with the table
 * of figures (`card/figures.ts`) it covers the whole schema of a card, which a test holds.
 */
import { CONTROLLER } from './facts/controller.ts';
import type { Fact } from './facts/kind.ts';
import { LINES } from './facts/lines.ts';
import { POWER } from './facts/power.ts';
import { SHAPE } from './facts/shape.ts';

const FACTS = { ...SHAPE, ...POWER, ...LINES, ...CONTROLLER } as const;
export type FactId = keyof typeof FACTS;
export const FACT_IDS = Object.keys(FACTS) as readonly FactId[];
type KeysOf<T> = T extends unknown ? keyof T : never;
type RowsOf<T> = T extends { readonly rows: infer Rows } ? KeysOf<Rows> : never;
/** A column of a table. */
export type ColumnId = RowsOf<(typeof FACTS)[FactId]>;
export const factAt = (id: FactId): Fact => FACTS[id];
