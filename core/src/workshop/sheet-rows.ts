/** Figures of a sheet as rows of the tables that ask for them, as they would be typed. */
import type { Accepted } from '../card/reader/proposal.ts';
import { formatAddress } from '../quantity/address.ts';

/** Accuracy that grows with the reading is kept as steps, each as wide as its upper end. */
const STEPS = 8;
const MOST_WORDS = 160;
const MOST_SETTING = 60;

const cells = (from: number, to: number, error: number, conditions: string): string[] => [
  String(from),
  String(to),
  String(error),
  conditions.slice(0, MOST_WORDS),
];

/** @param over the stretch that it holds over, in the unit of the quantity */
export function accuracyRows(figure: Accepted, over: { readonly from: number; readonly to: number }): string[][] {
  const { from, to } = over;
  const error = figure.max ?? figure.typ ?? 0;
  const share = figure.ofReading;
  if (share === undefined) return [cells(from, to, error, figure.conditions)];
  const step = (to - from) / STEPS;
  return Array.from({ length: STEPS }, (_, i) => {
    const [lower, upper] = [from + i * step, from + (i + 1) * step];
    return cells(lower, upper, error + share * Math.max(Math.abs(upper), Math.abs(lower)), figure.conditions);
  });
}

const valueOf = ({ min, typ, max }: Accepted): number | undefined => typ ?? max ?? min;

export function addressRow(figure: Accepted): string[] | null {
  const value = valueOf(figure);
  return value === undefined ? null : [formatAddress(value), (figure.label || 'fixed').slice(0, MOST_SETTING)];
}

/** The register, its width, what stands there, and what that says. */
export function identityRow(figure: Accepted): string[] | null {
  const value = valueOf(figure);
  return value === undefined ? null : [String(figure.register ?? 0), String(figure.bits ?? 8), String(value), ''];
}
