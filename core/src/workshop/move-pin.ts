/** The print of a header with one pin at another place. */
import { pieces } from './parts.ts';

/** @param from and to: places along the header, from 0 */
export function movedPin(text: string, from: number, to: number): string {
  const isMarked = /[,|\n]/.test(text);
  const all = pieces(isMarked ? text.replace(/[|\n]/g, ',') : text.trim().replace(/\s+/g, ','), ',');
  const moved = all[from];
  if (moved === undefined || to < 0 || to >= all.length) return text;
  const rest = all.filter((_, i) => i !== from);
  return [...rest.slice(0, to), moved, ...rest.slice(to)].join(isMarked ? ', ' : ' ');
}
