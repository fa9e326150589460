<!-- Sentences of what can kill or burn, each with its tick: before all are read no plan is called verified. -->
<script lang="ts">
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
    <label>
      <input
        type="checkbox"
        checked={read}
        aria-label="I have read: {hazard}, {say(labels)}"
        onchange={({ currentTarget }) => tick(says, currentTarget.checked, hazard)}
      />
      <span><strong>{hazard}</strong> · {say(labels)}: {says}</span>
    </label>
  {/each}
{/snippet}

{#if left > 0}
  <fieldset class="hazards" data-unread={left}>
    <legend>Read before you build, and tick what you have read</legend>
    {@render ticks()}
  </fieldset>
{:else if asked.length > 0}
  <details class="hazards">
    <summary>Read: <strong>{[...new Set(asked.map(({ hazard }) => hazard))].join(', ')}</strong></summary>
    {@render ticks()}
  </details>
{/if}

<style>
  .hazards {
    border: 0;
    border-left: 4px solid var(--caution);
    margin: 0;
    padding: 6px 12px;
  }
  legend {
    float: left;
    width: 100%;
    padding: 0;
    font-weight: 650;
  }
  label {
    display: flex;
    clear: both;
    gap: 8px;
    align-items: baseline;
    padding-block: 3px;
  }
  input {
    flex: none;
    width: 15px;
    height: 15px;
    accent-color: var(--copper);
    transform: translateY(2px);
  }
</style>
