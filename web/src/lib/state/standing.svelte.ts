/** How the open plan stands: what the checks say, and the reader of the finished wiring. */
import { standingOf } from '@idle-breadboard/core/verify';
import { laying } from './laying.svelte';
import { toSettle } from './results';
import { workbench } from './workbench.svelte';

class Standing {
  readonly open = $derived(toSettle().length);
  /** Verified is what two agree on. */
  readonly is = $derived.by(() => {
    const verdict = workbench.study?.verdict;
    if (!verdict) return 'none';
    if (workbench.stale) return 'stale';
    if (verdict.status === 'open' || laying.proven === true) return standingOf(verdict);
    return laying.proven === null && !laying.trouble ? 'proving' : 'open';
  });
  readonly words = $derived(
    {
      none: '',
      stale: 'verifying',
      open: `open, ${this.open} to settle`,
      proving: 'proved on paper',
      unread: 'proved',
      verified: 'verified',
    }[this.is],
  );
}

export const standing = new Standing();
