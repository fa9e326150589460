<!-- Says what is being tried, and lets the maker take it or leave it. -->
<script lang="ts">
  import { trying } from '../state/trial.svelte';
</script>

<svelte:window
  onkeydown={(event) => {
    if (event.key === 'Escape' && trying.active && !event.defaultPrevented) trying.clear();
  }}
/>

{#if trying.active}
  <div class="bar" role="status">
    <span>Trying <strong>{trying.says}</strong>. Nothing is changed yet.</span>
    {#if trying.takeable}<button type="button" class="act" onclick={() => trying.take()}>Take it</button>{/if}
    <button type="button" class="act" onclick={() => trying.clear()}>Leave it</button>
  </div>
{/if}

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 12px;
    padding: 3px 12px;
    background: var(--copper-soft);
    border-top: 1px solid var(--copper);
  }
</style>
