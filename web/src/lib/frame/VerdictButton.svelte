<script lang="ts">
  import { standingOf } from '@idle-breadboard/core/verify';
  import { sayUnread } from '@idle-breadboard/core/words';
  import Quantity from '../kit/Quantity.svelte';
  import { laying } from '../state/laying.svelte';
  import { passes, toSettle } from '../state/results';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const verdict = $derived(workbench.study?.verdict);
  const open = $derived(toSettle().length);
  const tightest = $derived(verdict?.tightest);
  /** Verified is what two agree on: the checks, and the reader of the finished wiring. */
  const state = $derived(
    !verdict
      ? 'none'
      : workbench.stale
        ? 'stale'
        : verdict.status === 'open' || laying.proven === true
          ? standingOf(verdict)
          : laying.proven === null && !laying.trouble
            ? 'proving'
            : 'open',
  );
</script>

<button
  type="button"
  class="verdict {state}"
  data-verdict={state}
  data-revision={workbench.shown}
  data-took={workbench.lastEdit}
  aria-live="polite"
  onclick={() => (view.sheet = 'proofs')}
>
  {#if !verdict}
    No verdict yet
  {:else if workbench.stale}
    <strong>Stale</strong> · verifying
  {:else if verdict.passes.length + verdict.findings.length === 0}
    <strong>Open</strong> · nothing to prove yet
  {:else if verdict.status === 'open'}
    <strong>Open</strong> · <span class="value">{open}</span> to settle
  {:else if state === 'proving'}
    <strong>Proved on paper</strong> · the wiring is being read back
  {:else if state === 'unread'}
    <strong>Proved</strong> · {sayUnread(verdict.unread.length)}
  {:else if state === 'open'}
    <strong>Open</strong> · {laying.build?.why || laying.trouble ? 'no layout' : 'the wiring is not the circuit'}:
    <span class="value">{open}</span> to settle
  {:else}
    <strong>Verified</strong> · <span class="value">{passes().length}</span> proofs<span class="more"
      >{#if tightest}, tightest <Quantity value={tightest.margin} unit={tightest.unit} signed />{/if};
      <span class="value">{verdict.assumed}</span> rest on assumed figures</span
    >
  {/if}
</button>

<style>
  .verdict {
    margin-left: auto;
    min-height: 26px;
    padding: 0 10px;
    border: 1px solid var(--line);
    border-radius: 2px;
    background: var(--raised);
    color: var(--ink);
    white-space: nowrap;
  }
  .verdict:hover {
    background: var(--copper-soft);
  }
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
  @media (max-width: 759px) {
    .more {
      display: none;
    }
  }
</style>
