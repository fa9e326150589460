<!-- A chart with its table beside it: the drawing takes the width that is left, and all of it above the open table. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import type { Snippet } from 'svelte';
  import ChartTable from './ChartTable.svelte';

  interface Props {
    caption: string;
    heads: readonly string[];
    rows: readonly (readonly string[])[];
    width: number;
    children: Snippet;
  }
  let { caption, heads, rows, width = $bindable(), children }: Props = $props();
</script>

<div class="frame group/frame w-full min-w-0 flex flex-wrap items-end">
  <div
    class="plot flex-[1_1_0] min-w-0 [contain:layout] group-has-[details[open]]/frame:basis-full"
    {@attach sized((w) => (width = w))}
  >
    {@render children()}
  </div>
  <ChartTable {caption} {heads} {rows} />
</div>

<style>
  .plot :global(svg) {
    display: block;
  }
</style>
