/** When there is time for what nobody waits for. */

/** ms that it waits at most. */
const AT_MOST = 250;

/** After what is drawn next. */
const drawn = (): Promise<void> => new Promise((go) => requestAnimationFrame(() => setTimeout(go)));

/** ms after a verdict in which the processor belongs to the screen. */
const SCREEN = 120;

/** Asks a thread for what may come later than the verdict. @returns lets it be, where it was not asked for yet */
export function soon(ask: () => void): () => void {
  const wait = setTimeout(ask, SCREEN);
  return () => clearTimeout(wait);
}

/** After some work is done and drawn, or failed, or takes long; at once where nobody looks any more. */
export async function calmAfter(work: Promise<unknown>): Promise<void> {
  if (document.hidden) return;
  const over = new AbortController();
  const first = new Promise<void>((go) => {
    const wait = setTimeout(go, AT_MOST);
    over.signal.addEventListener('abort', () => clearTimeout(wait));
    for (const left of ['beforeunload', 'pagehide', 'visibilitychange'])
      addEventListener(left, () => go(), { once: true, signal: over.signal });
    void work.then(drawn, () => undefined).then(go);
  });
  await first;
  over.abort();
}
