/** Which row of a station what is open stands in: the one it was opened in, else the first that is about its foremost subject. */
import { SvelteMap } from 'svelte/reactivity';
import { view } from './view.svelte';

interface Claim {
  readonly subjects: readonly string[];
  readonly element: HTMLElement;
}

const isBefore = (a: HTMLElement, b: HTMLElement): boolean =>
  (a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING) !== 0;

class Opening {
  private readonly claims = new SvelteMap<string, Claim>();

  /** @returns takes the claim back */
  claim(id: string, claim: Claim): () => void {
    this.claims.set(id, claim);
    return () => this.claims.delete(id);
  }

  /** Id of the row; null where no row is about it, and the station itself shows it. */
  readonly row = $derived.by<string | null>(() => {
    const { opened, openedIn } = view;
    if (!opened) return null;
    if (openedIn !== null && this.claims.has(openedIn)) return openedIn;
    for (const subject of opened.subjects) {
      const rows = [...this.claims].filter(([, { subjects }]) => subjects.includes(subject));
      const first = rows.reduce<(typeof rows)[number] | null>(
        (best, row) => (best && isBefore(best[1].element, row[1].element) ? best : row),
        null,
      );
      if (first) return first[0];
    }
    return null;
  });
}

export const opening = new Opening();
