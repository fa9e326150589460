<!-- A file that cannot be taken: every problem with its place. -->
<script lang="ts">
  import { problemCount } from '@idle-breadboard/core/plan';
  import { counted, say } from '@idle-breadboard/core/words';
  import Sheet from '../kit/Sheet.svelte';
  import { workbench } from '../state/workbench.svelte';

  const refusal = $derived(workbench.refusal);
</script>

<Sheet open={refusal !== null} title="This file was not taken" wide close={() => (workbench.refusal = null)}>
  {#if refusal}
    <p class="px-3 pt-2">
      “{refusal.file}” has {counted(problemCount(refusal.problems), 'problem')}. Nothing was stored, and the open plan
      is as it was.
    </p>
    <ul class="overflow-y-auto mt-1.5 mb-2.5 px-3">
      {#each refusal.problems as problem, i (i)}
        <li class="grid grid-cols-[minmax(8em,1fr)_2fr] gap-3 py-1 border-t">
          <span class="value where whitespace-normal wrap-anywhere">{problem.path || 'the whole file'}</span><span
            >{say(problem.message)}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
</Sheet>
