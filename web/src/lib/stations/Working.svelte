<!-- What is being worked out where nothing can be shown yet, how far it is, and why it ended where it did. -->
<script lang="ts">
  import { Progress } from 'bits-ui';
  import { laying } from '../state/laying.svelte';

  let { says }: { says: string } = $props();
</script>

<div class="relative z-3 bg-board p-4 grid gap-2 justify-items-start">
  {#if laying.trouble}<p role="alert">{laying.trouble}</p>
  {:else}
    <p class="text-quiet" role="status">{says}</p>
    <Progress.Root class="w-60 max-w-full h-1 bg-line" value={laying.share} max={1} aria-label={says}>
      <div class="h-full bg-copper" style:width="{laying.share * 100}%"></div>
    </Progress.Root>
  {/if}
</div>
