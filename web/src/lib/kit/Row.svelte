<!-- A decision and its proof, side by side across the channel. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { view } from '../state/view.svelte';
  import { offerSight } from './out-of-sight';

  interface Props {
    /** Ids of the plan that this row is about: a finding about one of them leads here. */
    subjects?: readonly string[];
    /** 0 a row, 1 set in under another. */
    depth?: number;
    head?: boolean;
    choose: Snippet;
    prove?: Snippet;
  }
  let { subjects = [], depth = 0, head = false, choose, prove }: Props = $props();
  let element = $state<HTMLElement>();
  let hidden = $state(false);
  offerSight(() => hidden);
  const current = $derived(view.result?.subjects.some((subject) => subjects.includes(subject)) ?? false);
  const first = $derived(view.result?.subjects[0] !== undefined && subjects.includes(view.result.subjects[0]));

  $effect(() => {
    // Only what the maker asked to see moves the bank.
    if (first && view.selected === view.result?.key) element?.scrollIntoView({ block: 'nearest' });
  });
</script>

<div
  class="row"
  class:head
  class:current
  role="group"
  bind:this={element}
  oncontentvisibilityautostatechange={(event) => (hidden = event.skipped)}
>
  <div class="choose" style:padding-left="{10 + depth * 18}px">{@render choose()}</div>
  <div class="prove">{@render prove?.()}</div>
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: calc(var(--split) * 100%) minmax(0, 1fr);
    border-bottom: 1px solid var(--line);
    /* What is out of sight is not laid out again while a value is swept. */
    content-visibility: auto;
    contain-intrinsic-size: auto 56px;
  }
  .choose,
  .prove {
    min-height: var(--row);
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    align-content: flex-start;
    gap: 0 0.6rem;
    min-width: 0;
    padding-block: 1px;
  }
  .prove {
    padding-left: 20px;
    padding-right: 10px;
  }
  .choose {
    padding-right: 12px;
  }
  .prove:empty {
    min-height: 0;
  }
  .head {
    border-bottom: 1px solid var(--quiet);
  }
  .head .choose {
    font-weight: 620;
  }
  .current .choose {
    box-shadow: inset 4px 0 var(--copper);
  }
  .current {
    background: var(--copper-soft);
  }
  @media (max-width: 759px) {
    .row {
      grid-template-columns: minmax(0, 1fr);
    }
    .prove {
      padding-left: 16px;
      border-left: 3px solid var(--line);
      margin-left: 8px;
    }
  }
  @media print {
    .row {
      content-visibility: visible;
      break-inside: avoid;
    }
  }
</style>
