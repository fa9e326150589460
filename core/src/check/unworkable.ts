/** What stands in place of a result that has no number: a proof that could not be worked out is never met. */
import { tells, type Text } from '../quantity/message.ts';

export interface CheckUnworkableSays {
  readonly noNumber: { readonly things: readonly Text[] };
  readonly noVoltages: { readonly nodes: number };
  readonly failed: { readonly why: string };
}
export const unworkable = tells<CheckUnworkableSays>('check/unworkable');

/** Whether each of these is a figure that can be compared and printed; null is one that is not there. */
export const areNumbers = (...figures: readonly (number | null | undefined)[]): boolean =>
  figures.every((figure) => figure === null || figure === undefined || Number.isFinite(figure));
