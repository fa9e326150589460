<!-- A chart with its table beside it: the drawing takes the width that is left. -->
<script lang="ts">
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

<div class="frame">
  <div class="plot" bind:clientWidth={width}>{@render children()}</div>
  <ChartTable {caption} {heads} {rows} />
</div>

<style>
  .frame {
    width: 100%;
    min-width: 0;
    display: flex;
    flex-wrap: wrap;
    align-items: flex-end;
  }
  .plot {
    flex: 1 1 0;
    min-width: 0;
    contain: layout;
  }
  .plot :global(svg) {
    display: block;
  }
</style>
