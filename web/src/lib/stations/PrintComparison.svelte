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
    <table class="text-[9pt]">
      <thead
        ><tr
          ><th class="py-0.5 px-1.5 border border-[#999] font-semibold" scope="col">line</th
          >{#each table.cards as card (card.id)}<th class="py-0.5 px-1.5 border border-[#999] font-semibold" scope="col"
              >{card.name}</th
            >{/each}</tr
        ></thead
      >
      <tbody>
        {#each table.rows as row (row.id)}
          <tr>
            <th class="py-0.5 px-1.5 border border-[#999] font-normal" scope="row">{say(row.title)}</th>
            {#each row.cells as cell, i (table.cards[i]?.id)}
              <td class="py-0.5 px-1.5 border border-[#999] font-normal"
                >{say(cell.text)}{cell.breaks ? ' (breaks the need)' : ''}
                {#if cell.conditions || cell.source}<small class="block"
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
