/** What went wrong with the store or the catalogue, in words: what happened, what still works, how to get the work out. */
import { counted } from '@idle-breadboard/core/words';
import type { StoreTrouble } from '../state/telling.svelte';

export interface Said {
  readonly what: string;
  readonly then: string;
}

const WORKS = 'Checks, undo and export go on working.';

function whyNothingIsKept({ kind, says }: StoreTrouble): string {
  switch (kind) {
    case 'none':
      return 'This browser lets nothing be stored, as in some private windows.';
    case 'newer':
      return 'The plans in this browser were stored by a newer version of this program, and are left as they are.';
    case 'blocked':
      return 'Another tab holds the store for an older version of this program. Close the other tabs, then reload.';
    case 'full':
      return 'The browser has no space left for the store.';
    case 'failed':
      return `The browser’s store did not open. The browser says: ${says}`;
  }
}

/** @param trouble why the store was not there at the start */
export const saidOfNoStore = (trouble: StoreTrouble): Said => ({
  what: whyNothingIsKept(trouble),
  then: 'Everything works, but it lies in this tab alone and is gone when the tab is closed. Export what you want to keep.',
});

/** @param unsaved changes that are not stored */
export function saidOfUnsaved({ kind, says }: StoreTrouble, unsaved: number): Said {
  const left = `${counted(unsaved, 'change')} ${unsaved === 1 ? 'is' : 'are'} not stored.`;
  return kind === 'full'
    ? {
        what: `The browser has no space left: ${left}`,
        then: `${WORKS} Export the plan, or make room (remove plans or photos, clear what other sites keep) and try again.`,
      }
    : {
        what: `The browser’s store failed: ${left} The browser says: ${says}`,
        then: `${WORKS} Export the plan, or try again; what is not stored goes with the next change that is.`,
      };
}

export const saidOfNewer = (unsaved: number): Said => ({
  what: `A newer version of this program runs in another tab and has the store. From here nothing is stored any more${unsaved > 0 ? `; ${counted(unsaved, 'change')} ${unsaved === 1 ? 'is' : 'are'} not` : ''}.`,
  then: `${unsaved > 0 ? 'Export the plan, then reload' : 'Reload'} to go on with the newer version.`,
});

export const saidOfNoCatalogue = (why: string): Said => ({
  what: `The cards that ship with the program could not be had: ${why}.`,
  then: 'Plans carry the cards that they use and work as ever; parts can be added from your own cards.',
});

export const saidOfApart = (name: string): Said => ({
  what: `Another tab changed this plan at the same moment. What is here is “${name}” from now on.`,
  then: 'Nothing is lost: what the other tab made lies on the shelf under the old name.',
});
