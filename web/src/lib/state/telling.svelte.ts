/** What the program says to the maker besides what the stations show: a word for a moment, and what stands until it is settled. */
import type { StoreTrouble } from '../store/trouble';

export type { StoreTrouble };

/** How long a word stands, ms. */
const WORD_TIME = 8000;

class Telling {
  /** Said once to a screen reader, and shown for a moment. */
  word = $state('');
  private clearing: ReturnType<typeof setTimeout> | undefined;

  /** Why nothing outlasts this tab; null where the browser keeps what is put there. */
  onlyHere = $state.raw<StoreTrouble | null>(null);
  /** A newer version of the program has the store: nothing is stored from here. */
  newer = $state(false);
  /** Why the catalogue is not there; empty where it is. */
  noCatalogue = $state('');
  /** The name that the plan here has from now on, because another tab changed the same plan at the same moment. */
  apart = $state('');
  /** A plan that was left on the shelf: because it failed when it was opened last, or because what is stored of it is no plan. */
  leftOut = $state.raw<{ readonly id: string; readonly name: string; readonly why: 'failed' | 'broken' } | null>(null);

  say(text: string): void {
    this.word = text;
    clearTimeout(this.clearing);
    this.clearing = setTimeout(() => (this.word = ''), WORD_TIME);
  }
}

export const telling = new Telling();
