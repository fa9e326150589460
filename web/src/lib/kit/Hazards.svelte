<!-- Sentences of what can kill or burn, each with its tick: before all are read no plan is called verified. -->
<script lang="ts">
  import Tick from './Tick.svelte';
  import { cautionsOf, type Circuit } from '@idle-breadboard/core/circuit';
  import { setAcknowledged } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const asked = $derived(cautionsOf(circuit).filter(({ asks }) => asks));
  const left = $derived(asked.filter(({ read }) => !read).length);

  function tick(says: string, read: boolean, hazard: string) {
    if (workbench.plan)
      workbench.edit(setAcknowledged(workbench.plan, says, read), read ? `${hazard} read` : `${hazard} not read`);
  }
</script>

{#snippet ticks()}
  {#each asked as { hazard, labels, says, read } (says)}
    <label class="flex [clear:both] gap-2 items-baseline py-1">
      <Tick
        class="flex-none w-3.5 h-3.5 accent-copper [transform:translateY(2px)]"
        checked={read}
        label="I have read: {hazard}, {say(labels)}"
        change={(on) => tick(says, on, hazard)}
      />
      <span><strong>{hazard}</strong> · {say(labels)}: {says}</span>
    </label>
  {/each}
{/snippet}

{#if left > 0}
  <fieldset class="border-l-4 border-l-caution py-1.5 px-3" data-unread={left}>
    <legend class="[float:left] w-full font-semibold">Read before you build, and tick what you have read</legend>
    {@render ticks()}
  </fieldset>
{:else if asked.length > 0}
  <details class="border-l-4 border-l-caution py-1.5 px-3">
    <summary>Read: <strong>{[...new Set(asked.map(({ hazard }) => hazard))].join(', ')}</strong></summary>
    {@render ticks()}
  </details>
{/if}
