<!-- The heads of the two banks, what can be done at the station, and the rows below. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import OpenFinding from './OpenFinding.svelte';
  import { opening } from '../state/opening.svelte';
  import { view } from '../state/view.svelte';
  import Channel from './Channel.svelte';

  interface Props {
    title: string;
    says: string;
    tools?: Snippet;
    /** Over both banks, below their heads. */
    bar?: Snippet;
    /** False where there are no two banks whose widths could be shifted. */
    banks?: boolean;
    children: Snippet;
  }
  let { title, says, tools, bar, banks = true, children }: Props = $props();
  /** What stays in sight while the rows move under it. */
  let heads = $state(0);
</script>

<section class="station flex flex-col min-h-full" aria-label={title} style:--heads="{heads}px">
  <header class="heads sticky top-0 z-4 bg-bench border-b border-b-quiet max-desk:static" bind:clientHeight={heads}>
    <div class="flex flex-wrap items-center gap-x-3 gap-y-0.5 py-1 px-2.5 min-h-9">
      <h1 class="text-title font-semibold">{title}</h1>
      <span class="unit">{says}</span>{#if tools}<span class="inline-flex flex-wrap gap-1.5 ml-auto"
          >{@render tools()}</span
        >{/if}
    </div>
    {#if bar}<div>{@render bar()}</div>{/if}
  </header>
  {#if view.opened && opening.row === null}<div class="px-2.5 bg-board border-b">
      <OpenFinding result={view.opened} />
    </div>{/if}
  <div class="rows relative flex-1 bg-board">
    {#if banks}<Channel />{/if}{@render children()}
  </div>
</section>
