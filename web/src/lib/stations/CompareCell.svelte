<!-- One figure of a candidate: the value, the need behind it, its difference to the reference, where it comes from. -->
<script lang="ts">
  import { ASSUMED } from '@idle-breadboard/core/card';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { Cell, ComparisonRow } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import { cellBar } from '../charts/cell-bar';

  interface Props {
    row: ComparisonRow;
    cell: Cell;
    reference: Cell | null;
    wanted: { from: number; to: number } | null;
  }
  let { row, cell, reference, wanted }: Props = $props();
  const bar = $derived(
    wanted && cell.range
      ? cellBar(
          cell.range,
          wanted,
          row.cells.flatMap((c) => c.range ?? []),
        )
      : null,
  );
  const difference = $derived(
    reference && cell !== reference && cell.value !== null && reference.value !== null && cell.value !== reference.value
      ? cell.value - reference.value
      : null,
  );
  const better = $derived(
    difference === null || row.better === null ? null : difference < 0 === (row.better === 'less'),
  );
  const differenceText = $derived.by(() => {
    if (difference === null) return '';
    const size = Math.abs(difference);
    const unit = ['m²', 'days', ''].includes(row.unit) ? '' : row.unit;
    const text =
      row.id === 'price' || row.id === 'shipping'
        ? size.toFixed(2)
        : row.unit === 'm²'
          ? `${Number((size * 1e6).toPrecision(3))} mm²`
          : formatQuantity(size, unit);
    return `${difference < 0 ? '−' : '+'}${text}`;
  });
  const source = $derived(
    cell.source
      ? ASSUMED.has(cell.source.kind)
        ? 'assumed'
        : `${cell.source.kind}${cell.source.page ? ` p. ${cell.source.page}` : ''}`
      : '',
  );
  const workings = $derived(
    (cell.workings ?? [])
      .map(
        ({ name, sum, value, unit }) =>
          `${say(name)}: ${say(sum)}${value === undefined ? '' : ` = ${formatQuantity(value, unit ?? '')}`}`,
      )
      .join('\n'),
  );
</script>

<td
  class="group/td align-top pt-0.5 pb-1 px-2.5 min-w-[9.5em] max-w-[15em] border-b border-l"
  data-missing={cell.missing || undefined}
  data-breaks={cell.breaks || undefined}
  title={workings || undefined}
>
  {#if bar}
    <svg class="block w-full h-2 mt-1 mb-px" viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
      <rect
        x={bar.band[0] * 100}
        width={Math.max(1, (bar.band[1] - bar.band[0]) * 100)}
        y="0"
        height="8"
        fill="var(--copper-soft)"
        stroke="var(--copper)"
        stroke-width="0.6"
      />
      <rect
        x={bar.bar[0] * 100}
        width={Math.max(1, (bar.bar[1] - bar.bar[0]) * 100)}
        y="2.6"
        height="2.8"
        fill="var(--{cell.breaks ? 'fault' : 'ink'})"
      />
    </svg>
  {/if}
  <span
    class="value whitespace-normal group-data-missing/td:text-quiet group-data-missing/td:font-sans group-data-missing/td:[font-style:italic] group-data-breaks/td:text-fault"
    >{say(cell.text)}</span
  >{#if cell.breaks}<span class="mark text-fault"> breaks the need</span>{/if}
  {#if differenceText}<span
      class="value whitespace-normal pl-1.5 text-quiet data-better:text-pass data-worse:text-caution group-data-missing/td:text-quiet group-data-missing/td:font-sans group-data-missing/td:[font-style:italic] group-data-breaks/td:text-fault"
      data-better={better === true || undefined}
      data-worse={better === false || undefined}
      >{differenceText}{#if better !== null}<span class="sr-only">{better ? ', better' : ', worse'}</span>{/if}</span
    >{/if}
  {#if cell.conditions || source}<span class="block text-quiet text-aside leading-[1.2]"
      >{[say(cell.conditions), source].filter(Boolean).join('; ')}</span
    >{/if}
</td>
