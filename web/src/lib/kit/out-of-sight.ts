/** While a value is swept, what is out of sight keeps what it showed: it is drawn anew when it comes into sight, or when the sweep is over. */
import { getContext, setContext } from 'svelte';

const SWEPT = Symbol('a value is swept');
const HIDDEN = Symbol('out of sight');

/** A station says whether a value is being swept. */
export const offerSweep = (swept: () => boolean): void => void setContext(SWEPT, swept);

/** A row says whether it is out of sight. */
export function offerSight(hidden: () => boolean): void {
  const swept = getContext<(() => boolean) | undefined>(SWEPT);
  setContext(HIDDEN, () => hidden() && swept?.() === true);
}

/** What is shown: the value given, or the one before while nobody sees it. Call it while a component is made. */
export function seen<T>(value: () => T): () => T {
  const hidden = getContext<(() => boolean) | undefined>(HIDDEN);
  let shown: { value: T } | null = null;
  return () => {
    if (hidden?.() && shown) return shown.value;
    shown = { value: value() };
    return shown.value;
  };
}
