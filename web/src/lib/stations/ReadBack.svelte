<!-- Whether the plan may be wired: its verdict, and what the reader of the finished layout found. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import Hazards from '../kit/Hazards.svelte';
  import { laying } from '../state/laying.svelte';
  import { workbench } from '../state/workbench.svelte';

  const open = $derived((workbench.study?.verdict.status ?? 'open') !== 'verified');
  const proof = $derived(laying.build?.proof ?? null);
</script>

<div class="read" role="status">
  {#if open}<p>
      <Glyph severity="fault" /> <strong>Not verified.</strong> Settle the findings before you wire this.
    </p>{/if}
  {#if laying.trouble}
    <p><Glyph severity="fault" /> The layout could not be made: {laying.trouble}</p>
  {:else if laying.stale}
    <p class="unit">Laying out and reading back <progress value={laying.share} aria-label="laying out"></progress></p>
  {:else if laying.build?.why}
    <p><Glyph severity="fault" /> <strong>No layout.</strong> {say(laying.build.why.says)}</p>
  {:else if proof?.agrees}
    <p>
      <Glyph severity={null} /> Read back from holes, strips and leads: <span class="value">{proof.contacts}</span> ends
      on
      <span class="value">{proof.nodes}</span> nodes, all as the circuit wants them.
    </p>
  {:else if proof}
    <p><Glyph severity="danger" /> <strong>The wiring is not the circuit.</strong></p>
    <ul>
      {#each proof.mismatches as mismatch, i (i)}<li>{say(mismatch.says)}</li>{/each}
    </ul>
  {/if}
</div>
{#if workbench.study}<Hazards circuit={workbench.study.circuit} />{/if}

<style>
  .read {
    padding: 6px 10px;
    border-bottom: 1px solid var(--line);
  }
  p {
    margin: 1px 0;
  }
  ul {
    margin: 2px 0;
    padding-left: 1.6rem;
    list-style: square;
  }
  progress {
    width: 120px;
    height: 8px;
    vertical-align: middle;
  }
</style>
