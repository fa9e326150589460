<!-- A decision and its proof, side by side across the channel. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import OpenFinding from './OpenFinding.svelte';
  import { opening } from '../state/opening.svelte';
  import { view } from '../state/view.svelte';
  import { offerSight } from './out-of-sight';
  import { offerRow } from './row-of';

  interface Props {
    /** Ids of the plan that this row is about: a finding about one of them leads here. */
    subjects?: readonly string[];
    /** 0 a row, 1 set in under another. */
    depth?: number;
    head?: boolean;
    choose?: Snippet;
    prove?: Snippet;
    /** One picture across both banks, below what is decided. */
    wide?: Snippet;
  }
  let { subjects = [], depth = 0, head = false, choose, prove, wide }: Props = $props();
  let element = $state<HTMLElement>();
  let hidden = $state(false);
  offerSight(() => hidden);
  const id = $props.id();
  offerRow(id);
  const open = $derived(opening.row === id ? view.opened : null);
  const current = $derived(open !== null || (view.subject !== null && subjects.includes(view.subject)));

  $effect(() => {
    if (element) return opening.claim(id, { subjects, element });
  });
  $effect(() => {
    // Only what the maker asked to see moves the bank; what is open brings itself into sight.
    if (current && !open) element?.scrollIntoView({ block: 'nearest' });
  });
</script>

<div
  class="row group/row grid grid-cols-[calc(var(--split)_*_100%)_minmax(0,1fr)] border-b [content-visibility:auto] [contain-intrinsic-size:auto_56px] data-head:border-b data-head:border-b-quiet data-current:bg-copper-soft data-over:relative data-over:z-3 max-desk:grid-cols-1 print:[content-visibility:visible] print:break-inside-avoid"
  data-head={head || undefined}
  data-over={wide !== undefined || open !== null || undefined}
  data-current={current || undefined}
  role="group"
  bind:this={element}
  oncontentvisibilityautostatechange={(event) => (hidden = event.skipped)}
>
  {#if choose || prove}<div
      class="min-h-row flex flex-wrap items-center content-start gap-x-2 min-w-0 py-px pr-3 group-data-head/row:font-semibold group-data-current/row:shadow-mark"
      style:padding-left="{10 + depth * 18}px"
    >
      {@render choose?.()}
    </div>
    <div
      class="min-h-row flex flex-wrap items-center content-start gap-x-2 min-w-0 py-px pl-5 pr-2.5 max-desk:pl-4 max-desk:border-l-3 max-desk:border-l-line max-desk:ml-2 empty:min-h-0"
    >
      {@render prove?.()}
    </div>{/if}
  {#if wide}<div class="col-span-full min-w-0 px-2.5 bg-board">{@render wide()}</div>{/if}
  {#if open}<div class="col-span-full px-2.5 min-w-0"><OpenFinding result={open} /></div>{/if}
</div>
