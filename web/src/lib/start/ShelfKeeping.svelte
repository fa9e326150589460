<!-- How safe the plans are: whether the browser keeps them, and when everything was exported last. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { exportAll } from '../kit/actions';
  import Button from '../kit/Button.svelte';
  import { keeping } from '../state/keeping.svelte';
  import { telling } from '../state/telling.svelte';

  const DAY = 86_400_000;
  const age = $derived.by(() => {
    if (!keeping.exported) return 'never';
    const days = Math.floor((Date.now() - keeping.exported.getTime()) / DAY);
    const words = new Intl.RelativeTimeFormat('en-GB', { numeric: 'auto' }).format(-days, 'day');
    return words;
  });

  async function ask() {
    const keeps = await keeping.askToKeep();
    telling.say(
      keeps ? 'The browser keeps the shelf.' : 'The browser does not promise it: export everything now and then.',
    );
  }

  onMount(() => void keeping.look());
</script>

<p class="mt-4 flex flex-wrap items-center gap-x-3 gap-y-1.5" data-keeping>
  {#if keeping.mayClear === false}<span>The browser keeps this shelf until you clear it.</span>
  {:else if keeping.mayClear}<span>The browser may clear this shelf when its space runs short.</span>
    <Button onclick={ask}>Ask it to keep the shelf</Button>{/if}
  <span class="grow"></span>
  <span class="text-quiet">everything was exported last: <span data-exported>{age}</span></span>
  <Button onclick={exportAll}>Export everything<kbd class="value unit text-aside ml-1">x</kbd></Button>
</p>
