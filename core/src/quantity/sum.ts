/** Sums as data: terms and what is done with them, so that a sum can be shown and worked out again. */
import { isMessage, type Noted, type Operation, type Operator, type Sum, type Text } from './message.ts';

const operation =
  (op: Operator) =>
  (...of: readonly Sum[]): Operation => ({ op, of });

export const add = operation('add');
export const subtract = operation('subtract');
export const multiply = operation('multiply');
export const divide = operation('divide');
export const per = operation('per');
/** Resistances side by side. */
export const inParallel = operation('parallel');
export const raise = operation('raise');
export const ln = operation('ln');

/** A sum with a word beside it. */
export const noted = (of: Sum, note: Text): Noted => ({ of, note });

const DOES: Readonly<Record<Operator, (values: readonly number[]) => number>> = {
  add: (values) => values.reduce((a, b) => a + b, 0),
  subtract: ([first = 0, ...others]) => others.reduce((a, b) => a - b, first),
  multiply: (values) => values.reduce((a, b) => a * b, 1),
  divide: ([first = 0, ...others]) => others.reduce((a, b) => a / b, first),
  per: ([first = 0, ...others]) => others.reduce((a, b) => a / b, first),
  parallel: (values) => 1 / values.reduce((g, r) => g + 1 / r, 0),
  raise: ([base = 0, exponent = 1]) => base ** exponent,
  ln: ([value = 0]) => Math.log(value),
};

/**
 * Works a sum out.
 * @returns its value in the base units of its terms; null where a term is words
 * @example valueOf(subtract(quantityOf(5, 'V'), quantityOf(3.3, 'V'))) is 1.7
 */
export function valueOf(sum: Sum): number | null {
  if (typeof sum === 'number') return sum;
  if (typeof sum === 'string' || isMessage(sum)) return null;
  if ('value' in sum) return sum.value;
  if ('amount' in sum) return sum.amount;
  if ('note' in sum) return valueOf(sum.of);
  const values = sum.of.map(valueOf);
  return values.some((value) => value === null) ? null : DOES[sum.op](values as number[]);
}
