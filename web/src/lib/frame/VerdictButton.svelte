<script lang="ts">
  import { sayUnread } from '@idle-breadboard/core/words';
  import Quantity from '../kit/Quantity.svelte';
  import { laying } from '../state/laying.svelte';
  import { passes } from '../state/results';
  import { standing } from '../state/standing.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const verdict = $derived(workbench.study?.verdict);
  const tightest = $derived(verdict?.tightest);
</script>

<button
  type="button"
  class="verdict ml-auto min-h-6.5 px-2.5 border rounded-sm bg-raised text-ink whitespace-nowrap hover:bg-copper-soft {standing.shows}"
  data-verdict={standing.is}
  data-revision={workbench.shown}
  data-took={workbench.lastEdit}
  aria-live="polite"
  onclick={() => (view.sheet = 'proofs')}
>
  {#if !verdict}
    No verdict yet
  {:else if standing.shows === 'stale'}
    <strong>Stale</strong> · verifying
  {:else if verdict.passes.length + verdict.findings.length === 0}
    <strong>Open</strong> · nothing to prove yet
  {:else if verdict.status === 'open'}
    <strong>Open</strong> · <span class="value">{standing.open}</span> to settle
  {:else if standing.shows === 'proving'}
    <strong>Proved on paper</strong> · the wiring is being read back
  {:else if standing.shows === 'unread'}
    <strong>Proved</strong> · {sayUnread(verdict.unread.length)}
  {:else if standing.shows === 'open'}
    <strong>Open</strong> · {laying.build?.why || laying.trouble ? 'no layout' : 'the wiring is not the circuit'}:
    <span class="value">{standing.open}</span> to settle
  {:else}
    <strong>Verified</strong> · <span class="value">{passes().length}</span> proofs<span class="max-desk:hidden"
      >{#if tightest}, tightest <Quantity value={tightest.margin} unit={tightest.unit} signed />{/if};
      <span class="value">{verdict.assumed}</span> rest on assumed figures</span
    >
  {/if}
</button>

<style>
  .open {
    border-left: 5px solid var(--fault);
  }
  .verified {
    border-left: 5px solid var(--pass);
  }
  .unread {
    border-left: 5px solid var(--caution);
  }
  .stale,
  .proving {
    border-left: 5px dashed var(--quiet);
  }
</style>
