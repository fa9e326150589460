<!-- One proof: what was found, the limit, and the margin, with a mark for each on a line. -->
<script lang="ts">
  import { COUNTED_UNITS } from '@idle-breadboard/core/figures';
  import type { Result } from '@idle-breadboard/core/verify';
  import { say, ruleOf } from '@idle-breadboard/core/words';
  import { scaleLinear } from 'd3';
  import { view } from '../state/view.svelte';
  import Glyph from './Glyph.svelte';
  import { seen } from './out-of-sight';
  import { rowOf } from './row-of';
  import Quantity from './Quantity.svelte';

  let props: { result: Result; word?: string; compact?: boolean } = $props();
  const row = rowOf();
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
  class="inline-grid grid-cols-[24px_5.6em_5.6em_8.2em_5.8em_82px_auto] items-center gap-x-1.5 min-h-6.5 w-full text-left data-compact:flex-none data-compact:whitespace-nowrap data-compact:inline-flex data-compact:w-auto data-compact:pr-3.5 data-chosen:bg-copper-soft max-[1101px]:grid-cols-[24px_5.2em_minmax(4.5em,auto)_minmax(6em,auto)_minmax(4.5em,auto)_1fr] max-desk:flex max-desk:flex-wrap hover:bg-copper-soft"
  data-compact={compact || undefined}
  data-chosen={view.selected === result.key || undefined}
  data-proof={result.key}
  aria-expanded={view.selected === result.key}
  onclick={() => (view.selected === result.key ? view.back() : view.select(result, { row: row() }))}
>
  <Glyph severity={result.severity} />
  <span class="word">{word ?? ruleOf(result.check).short}</span>
  {#if compact}
    <span
      class="figure text-right whitespace-nowrap text-pass data-short:text-danger data-short:font-semibold"
      data-short={(result.margin ?? 0) < 0 || undefined}
      ><Quantity value={result.margin} unit={result.unit} signed /></span
    >
  {:else if counted || result.measured === null || result.limit === null}
    <span class="truncate col-start-3 -col-end-1 max-desk:whitespace-normal">{say(result.message)}</span>
  {:else}
    <span class="figure text-right whitespace-nowrap"><Quantity value={result.measured} unit={result.unit} /></span>
    <span class="figure unit text-right whitespace-nowrap"
      >limit <Quantity value={result.limit} unit={result.unit} /></span
    >
    <span
      class="figure text-right whitespace-nowrap text-pass data-short:text-danger data-short:font-semibold"
      data-short={(result.margin ?? 0) < 0 || undefined}
      ><Quantity value={result.margin} unit={result.unit} signed /></span
    >
    {#if marks}
      <svg class="max-[1101px]:hidden" viewBox="0 0 80 14" width="80" height="14" aria-hidden="true">
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
        class="text-aside text-quiet"
        title="Rests on figures typical of the class of part, not on this part’s datasheet">assumed</span
      >{/if}
  {/if}
</button>
