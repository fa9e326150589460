<!-- The comparison on paper: every line and column, with conditions and sources. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { needName } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import { comparedNeed, tableOf } from '../state/comparing.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const need = $derived(comparedNeed(circuit));
  const table = $derived(need ? tableOf(circuit, need) : null);
</script>

<article class="print-only">
  {#if need && table}
    <h1>{say(needName(circuit.plan, need))}</h1>
    <p>
      {circuit.plan.name}{#if need.kind === 'sense'}; wanted from {need.from} to {need.to}
        {need.unit} within ±{need.accuracy}, over {circuit.plan.lifeYears} years{/if}. Worst cases are added; the spread
      is the root of the sum of the squares.
    </p>
    <table>
      <thead
        ><tr
          ><th scope="col">line</th>{#each table.cards as card (card.id)}<th scope="col">{card.name}</th>{/each}</tr
        ></thead
      >
      <tbody>
        {#each table.rows as row (row.id)}
          <tr>
            <th scope="row">{say(row.title)}</th>
            {#each row.cells as cell, i (table.cards[i]?.id)}
              <td
                >{say(cell.text)}{cell.breaks ? ' (breaks the need)' : ''}
                {#if cell.conditions || cell.source}<small
                    >{[
                      say(cell.conditions),
                      cell.source && `${cell.source.kind}${cell.source.page ? ` p. ${cell.source.page}` : ''}`,
                    ]
                      .filter(Boolean)
                      .join('; ')}</small
                  >{/if}</td
              >
            {/each}
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
</article>

<style>
  table {
    font-size: 9pt;
  }
  th,
  td {
    padding: 2px 6px;
    border: 1px solid #999;
    font-weight: 400;
  }
  thead th {
    font-weight: 700;
  }
  small {
    display: block;
  }
</style>
