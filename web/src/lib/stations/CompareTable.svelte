<!-- Candidates as columns, lines of their datasheets as rows. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import type { Need } from '@idle-breadboard/core/plan';
  import { ROW_GROUPS } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import Pin from '@lucide/svelte/icons/pin';
  import X from '@lucide/svelte/icons/x';
  import { comparing, type Table } from '../state/comparing.svelte';
  import { view } from '../state/view.svelte';
  import CompareCell from './CompareCell.svelte';

  interface Props {
    circuit: Circuit;
    need: Need;
    table: Table;
    serve: (card: string) => void;
  }
  let { circuit, need, table, serve }: Props = $props();
  const reference = $derived(table.cards.findIndex(({ id }) => id === comparing.pinned));
  const serving = $derived(
    new Set(circuit.plan.parts.flatMap(({ needs, card }) => (needs.includes(need.id) ? [card] : []))),
  );
  const wantedFor = (row: string) => {
    if (row === 'range' && need.kind === 'sense') return { from: need.from, to: need.to };
    const air = need.kind === 'trigger' ? undefined : circuit.plan.places.find(({ name }) => name === need.place)?.air;
    return row === 'ambient' && air ? air : null;
  };
  const GROUP_WORDS = {
    measuring: 'measuring',
    time: 'time',
    supply: 'supply and current',
    signals: 'signals',
    body: 'body',
    buying: 'buying',
  };
</script>

<div class="scroll" role="region" aria-label="comparison" tabindex="-1">
  <table>
    <thead>
      <tr>
        <td class="corner"><span class="unit">{table.cards.length} side by side</span></td>
        {#each table.cards as card (card.id)}
          <th scope="col" class:pinned={card.id === comparing.pinned}>
            <button type="button" class="name" onclick={() => view.openCatalogue(card.id)}>{card.name}</button>
            <span class="acts">
              <button
                type="button"
                class="act bare"
                aria-pressed={card.id === comparing.pinned}
                aria-label="{card.name} as reference"
                onclick={() => (comparing.pinned = comparing.pinned === card.id ? null : card.id)}
                ><Pin size={13} /></button
              >
              <button
                type="button"
                class="act bare"
                aria-label="hide {card.name}"
                onclick={() => comparing.hide(card.id)}><X size={13} /></button
              >
              {#if serving.has(card.id)}<span class="unit whitespace-nowrap">in the plan</span>
              {:else}<button type="button" class="act" onclick={() => serve(card.id)}>take</button>{/if}
            </span>
          </th>
        {/each}
      </tr>
    </thead>
    {#each ROW_GROUPS as group (group)}
      {@const rows = table.rows.filter((row) => row.group === group)}
      {#if rows.length > 0}
        <tbody>
          <tr class="group"
            ><th scope="rowgroup" colspan={table.cards.length + 1}><span class="eyebrow">{GROUP_WORDS[group]}</span></th
            ></tr
          >
          {#each rows as row (row.id)}
            <tr>
              <th
                scope="row"
                aria-sort={comparing.sortedBy === row.id
                  ? comparing.descending
                    ? 'descending'
                    : 'ascending'
                  : undefined}
              >
                <button
                  type="button"
                  class="line"
                  aria-label="sort by {say(row.title)}"
                  onclick={() => comparing.sort(row.id)}
                  >{say(row.title)}<span aria-hidden="true"
                    >{comparing.sortedBy === row.id ? (comparing.descending ? ' ◂' : ' ▸') : ''}</span
                  ></button
                >
              </th>
              {#each row.cells as cell, i (table.cards[i]?.id)}
                <CompareCell
                  {row}
                  {cell}
                  reference={reference < 0 ? null : (row.cells[reference] ?? null)}
                  wanted={wantedFor(row.id)}
                />
              {/each}
            </tr>
          {/each}
        </tbody>
      {/if}
    {/each}
  </table>
</div>

<style>
  .scroll {
    overflow: auto;
    max-height: max(300px, calc(100dvh - 300px));
    background: var(--board);
    border-bottom: 1px solid var(--quiet);
  }
  table {
    border-collapse: separate;
    border-spacing: 0;
  }
  th {
    text-align: left;
    font-weight: 500;
    vertical-align: top;
  }
  thead th,
  .corner {
    position: sticky;
    top: 0;
    background: var(--bench);
    border-bottom: 1px solid var(--quiet);
    padding: 3px 10px;
    z-index: 3;
  }
  thead th {
    border-left: 1px solid var(--line);
    max-width: 15em;
  }
  tbody th[scope='row'],
  .corner {
    position: sticky;
    left: 0;
    z-index: 2;
    width: 13em;
    min-width: 13em;
    background: var(--board);
    border-bottom: 1px solid var(--line);
    padding: 2px 6px 2px 10px;
  }
  .corner {
    background: var(--bench);
    z-index: 4;
  }
  .pinned {
    box-shadow: inset 0 3px var(--copper);
  }
  .name {
    border: 0;
    background: transparent;
    color: var(--ink);
    font: inherit;
    font-weight: 660;
    text-align: left;
    padding: 0;
    overflow-wrap: anywhere;
    min-height: 24px;
  }
  .name:hover {
    color: var(--copper);
  }
  .acts {
    display: flex;
    align-items: center;
    gap: 2px;
  }
  .acts [aria-pressed='true'] {
    background: var(--copper);
    color: var(--board);
  }
  .line {
    border: 0;
    background: transparent;
    color: var(--ink);
    font: inherit;
    text-align: left;
    padding: 0;
    min-height: 24px;
  }
  .line:hover {
    color: var(--copper);
  }
  .group th {
    padding: 6px 10px 0;
    border-bottom: 1px solid var(--line);
  }
  @media (max-width: 759px) {
    tbody th[scope='row'],
    .corner {
      width: 7.5em;
      min-width: 7.5em;
    }
  }
</style>
