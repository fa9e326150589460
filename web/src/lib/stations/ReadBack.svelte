<!-- Whether the plan may be wired: its verdict, and what the reader of the finished layout found. -->
<script lang="ts">
  import ProgressLine from '../kit/ProgressLine.svelte';
  import { say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import Hazards from '../kit/Hazards.svelte';
  import { laying } from '../state/laying.svelte';
  import { workbench } from '../state/workbench.svelte';

  const open = $derived((workbench.study?.verdict.status ?? 'open') !== 'verified');
  const proof = $derived(laying.build?.proof ?? null);
</script>

<div class="py-1.5 px-2.5 border-b" role="status">
  {#if open}<p class="my-px">
      <Glyph severity="fault" /> <strong>Not verified.</strong> Settle the findings before you wire this.
    </p>{/if}
  {#if laying.trouble}
    <p class="my-px"><Glyph severity="fault" /> The layout could not be made: {laying.trouble}</p>
  {:else if laying.stale}
    <p class="unit my-px">
      Laying out and reading back <ProgressLine label="laying out" value={laying.share} />
    </p>
  {:else if laying.build?.why}
    <p class="my-px"><Glyph severity="fault" /> <strong>No layout.</strong> {say(laying.build.why.says)}</p>
  {:else if proof?.agrees}
    <p class="my-px">
      <Glyph severity={null} /> Read back from holes, strips and leads: <span class="value">{proof.contacts}</span> ends
      on
      <span class="value">{proof.nodes}</span> nodes, all as the circuit wants them.
    </p>
  {:else if proof}
    <p class="my-px"><Glyph severity="danger" /> <strong>The wiring is not the circuit.</strong></p>
    <ul class="my-0.5 pl-5.5 list-[square]">
      {#each proof.mismatches as mismatch, i (i)}<li>{say(mismatch.says)}</li>{/each}
    </ul>
  {/if}
</div>
{#if workbench.study}<Hazards circuit={workbench.study.circuit} />{/if}
