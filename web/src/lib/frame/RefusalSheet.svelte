<!-- A file that cannot be taken: every problem with its place. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import Sheet from '../kit/Sheet.svelte';
  import { workbench } from '../state/workbench.svelte';

  const refusal = $derived(workbench.refusal);
  const SHOWN = 200;
</script>

<Sheet open={refusal !== null} title="This file was not taken" wide close={() => (workbench.refusal = null)}>
  {#if refusal}
    <p class="px-3 pt-2">
      “{refusal.file}” has {refusal.problems.length}
      {refusal.problems.length === 1 ? 'problem' : 'problems'}. Nothing was stored, and the open plan is as it was.
    </p>
    <ul class="overflow-y-auto">
      {#each refusal.problems.slice(0, SHOWN) as problem, i (i)}
        <li><span class="value where">{problem.path || 'the whole file'}</span><span>{say(problem.message)}</span></li>
      {/each}
    </ul>
    {#if refusal.problems.length > SHOWN}<p class="unit px-3 pb-2">and {refusal.problems.length - SHOWN} more</p>{/if}
  {/if}
</Sheet>

<style>
  ul {
    margin: 6px 0 10px;
    padding: 0 12px;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: minmax(8em, 1fr) 2fr;
    gap: 12px;
    padding: 3px 0;
    border-top: 1px solid var(--line);
  }
  .where {
    white-space: normal;
    overflow-wrap: anywhere;
  }
</style>
