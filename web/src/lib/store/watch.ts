/** Answers of the store that come again whenever this or another tab changes what they are made of. */
import { liveQuery } from 'dexie';

/** @returns ends it */
export function watch<T>(ask: () => Promise<T>, tell: (answer: T) => void): () => void {
  // A store that fails is said by whoever writes next; until then what was told last stands.
  const watching = liveQuery(ask).subscribe({ next: tell, error: () => undefined });
  return () => watching.unsubscribe();
}
