/** The row that something stands in, so that what is opened there opens in it. */
import { getContext, setContext } from 'svelte';

const ROW = Symbol('row');

export const offerRow = (id: string): void => void setContext(ROW, id);

/** Call it while a component is made. @returns id of the row, null where it stands in none */
export function rowOf(): () => string | null {
  const id = getContext<string | undefined>(ROW);
  return () => id ?? null;
}
