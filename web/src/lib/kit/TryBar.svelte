<!-- Says what is being tried, and lets the maker take it or leave it. -->
<script lang="ts">
  import Button from './Button.svelte';
  import { trying } from '../state/trial.svelte';
</script>

<svelte:window
  onkeydown={(event) => {
    if (event.key === 'Escape' && trying.active && !event.defaultPrevented) trying.clear();
  }}
/>

{#if trying.active}
  <div
    class="flex flex-wrap items-center gap-x-3 gap-y-1 py-1 px-3 bg-copper-soft border-t border-t-copper"
    role="status"
  >
    <span>Trying <strong>{trying.says}</strong>. Nothing is changed yet.</span>
    {#if trying.takeable}<Button onclick={() => trying.take()}>Take it</Button>{/if}
    <Button onclick={() => trying.clear()}>Leave it</Button>
  </div>
{/if}
