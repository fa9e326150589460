<!-- One proof: what was found, the limit, and the margin, with a mark for each on a line. -->
<script lang="ts">
  import { COUNTED_UNITS } from '@idle-breadboard/core/figures';
  import type { Result } from '@idle-breadboard/core/verify';
  import { say, ruleOf } from '@idle-breadboard/core/words';
  import { scaleLinear } from 'd3';
  import { view } from '../state/view.svelte';
  import Glyph from './Glyph.svelte';
  import { seen } from './out-of-sight';
  import Quantity from './Quantity.svelte';

  let props: { result: Result; word?: string; compact?: boolean } = $props();
  const shown = seen(() => props.result);
  const result = $derived(shown());
  const { word, compact = false } = $derived(props);
  const counted = $derived(COUNTED_UNITS.has(result.unit));
  const marks = $derived.by(() => {
    const { measured, limit } = result;
    if (compact || counted || measured === null || limit === null) return null;
    const x = scaleLinear([Math.min(0, measured, limit), Math.max(measured, limit, 0) * 1.12 || 1], [1, 79]);
    return { measured: x(measured), limit: x(limit), zero: x(0) };
  });
</script>

<button
  type="button"
  class="proof"
  class:compact
  class:chosen={view.selected === result.key}
  data-proof={result.key}
  onclick={() => {
    view.select(result);
    view.trayOpen = true;
  }}
>
  <Glyph severity={result.severity} />
  <span class="word">{word ?? ruleOf(result.check).short}</span>
  {#if compact}
    <span class="figure margin" class:short={(result.margin ?? 0) < 0}
      ><Quantity value={result.margin} unit={result.unit} signed /></span
    >
  {:else if counted || result.measured === null || result.limit === null}
    <span class="sentence">{say(result.message)}</span>
  {:else}
    <span class="figure"><Quantity value={result.measured} unit={result.unit} /></span>
    <span class="figure unit">limit <Quantity value={result.limit} unit={result.unit} /></span>
    <span class="figure margin" class:short={(result.margin ?? 0) < 0}
      ><Quantity value={result.margin} unit={result.unit} signed /></span
    >
    {#if marks}
      <svg class="marks" viewBox="0 0 80 14" width="80" height="14" aria-hidden="true">
        <path d="M1 7H79" stroke="var(--line)" />
        <path
          d="M{Math.min(marks.zero, marks.measured)} 7H{Math.max(marks.zero, marks.measured)}"
          stroke="var(--{result.severity ?? 'pass'})"
          stroke-width="4"
        />
        <path d="M{marks.limit} 1V13" stroke="var(--ink)" stroke-width="1.5" />
      </svg>
    {/if}
    {#if result.assumed}<span
        class="trust"
        title="Rests on figures typical of the class of part, not on this part’s datasheet">assumed</span
      >{/if}
  {/if}
</button>

<style>
  .proof {
    display: inline-grid;
    grid-template-columns: 24px 5.6em 5.6em 8.2em 5.8em 82px auto;
    align-items: center;
    gap: 0 6px;
    min-height: 26px;
    width: 100%;
    text-align: left;
    border: 0;
    background: transparent;
    color: inherit;
    font: inherit;
    padding: 0;
  }
  .compact {
    flex: none;
    white-space: nowrap;
    display: inline-flex;
    width: auto;
    padding-right: 14px;
  }
  .proof:hover,
  .chosen {
    background: var(--copper-soft);
  }
  .sentence {
    grid-column: 3 / -1;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .figure {
    text-align: right;
    white-space: nowrap;
  }
  .margin {
    color: var(--pass);
  }
  .short {
    color: var(--danger);
    font-weight: 650;
  }
  .trust {
    font-size: 0.8rem;
    color: var(--quiet);
  }
  @media (max-width: 1100px) {
    .proof {
      grid-template-columns: 24px 5.2em minmax(4.5em, auto) minmax(6em, auto) minmax(4.5em, auto) 1fr;
    }
    .marks {
      display: none;
    }
  }
  @media (max-width: 759px) {
    .proof {
      display: flex;
      flex-wrap: wrap;
    }
    .sentence {
      white-space: normal;
    }
  }
</style>
