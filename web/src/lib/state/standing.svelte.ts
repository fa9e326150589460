/** How the open plan stands: what the checks say, and the reader of the finished wiring. */
import { standingOf } from '@idle-breadboard/core/verify';
import { laying } from './laying.svelte';
import { toSettle } from './results';
import { workbench } from './workbench.svelte';

class Standing {
  readonly open = $derived(toSettle().length);
  /** Verified is what two agree on. */
  private readonly judged = $derived.by(() => {
    const verdict = workbench.study?.verdict;
    if (!verdict) return 'none';
    if (verdict.status === 'open' || laying.proven === true) return standingOf(verdict);
    return laying.proven === null && !laying.trouble ? 'proving' : 'open';
  });
  readonly is = $derived(workbench.stale && this.judged !== 'none' ? 'stale' : this.judged);
  /** As the page, which stays as it was until the next verdict is there, unless that takes long. */
  readonly shows = $derived(workbench.late && this.judged !== 'none' ? 'stale' : this.judged);
  readonly words = $derived(
    {
      none: '',
      stale: 'verifying',
      open: `open, ${this.open} to settle`,
      proving: 'proved on paper',
      unread: 'proved',
      verified: 'verified',
    }[this.shows],
  );
}

export const standing = new Standing();
