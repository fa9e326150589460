<!-- Candidates as columns, lines of their datasheets as rows. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
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

<div
  class="scroll overflow-auto max-h-[max(300px,calc(100dvh_-_145px))] bg-board border-b border-b-quiet"
  role="region"
  aria-label="comparison"
  tabindex="-1"
>
  <table class="border-separate [border-spacing:0]">
    <thead>
      <tr>
        <td
          class="top-0 sticky left-0 w-[13em] min-w-[13em] border-b py-0.5 pr-1.5 pl-2.5 bg-bench z-4 max-desk:w-[7.5em] max-desk:min-w-[7.5em]"
          ><span class="unit">{table.cards.length} side by side</span></td
        >
        {#each table.cards as card (card.id)}
          <th
            class="text-left font-medium align-top sticky top-0 bg-bench border-b border-b-quiet py-1 px-2.5 z-3 border-l max-w-[15em] data-pinned:shadow-[inset_0_3px_var(--copper)]"
            scope="col"
            data-pinned={card.id === comparing.pinned || undefined}
          >
            <button
              type="button"
              class="text-ink font-semibold text-left wrap-anywhere min-h-6 hover:text-copper"
              onclick={() => view.openCatalogue(card.id)}>{card.name}</button
            >
            <span class="flex items-center gap-0.5">
              <Button
                kind="bare"
                class="aria-pressed:bg-copper aria-pressed:text-board"
                aria-pressed={card.id === comparing.pinned}
                aria-label="{card.name} as reference"
                onclick={() => (comparing.pinned = comparing.pinned === card.id ? null : card.id)}
                ><Pin size={13} /></Button
              >
              <Button
                kind="bare"
                class="aria-pressed:bg-copper aria-pressed:text-board"
                aria-label="hide {card.name}"
                onclick={() => comparing.hide(card.id)}><X size={13} /></Button
              >
              {#if serving.has(card.id)}<span
                  class="unit whitespace-nowrap aria-pressed:bg-copper aria-pressed:text-board">in the plan</span
                >
              {:else}<Button class="aria-pressed:bg-copper aria-pressed:text-board" onclick={() => serve(card.id)}
                  >take</Button
                >{/if}
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
            ><th
              class="text-left font-medium align-top pt-1.5 px-2.5 border-b [&[scope='row']]:sticky [&[scope='row']]:left-0 [&[scope='row']]:z-2 [&[scope='row']]:w-[13em] [&[scope='row']]:min-w-[13em] [&[scope='row']]:bg-board [&[scope='row']]:border-b [&[scope='row']]:border-b-line [&[scope='row']]:py-0.5 [&[scope='row']]:pr-1.5 [&[scope='row']]:pl-2.5 max-desk:[&[scope='row']]:w-[7.5em] max-desk:[&[scope='row']]:min-w-[7.5em]"
              scope="rowgroup"
              colspan={table.cards.length + 1}><span class="eyebrow">{GROUP_WORDS[group]}</span></th
            ></tr
          >
          {#each rows as row (row.id)}
            <tr>
              <th
                class="text-left font-medium align-top [&[scope='row']]:sticky [&[scope='row']]:left-0 [&[scope='row']]:z-2 [&[scope='row']]:w-[13em] [&[scope='row']]:min-w-[13em] [&[scope='row']]:bg-board [&[scope='row']]:border-b [&[scope='row']]:border-b-line [&[scope='row']]:py-0.5 [&[scope='row']]:pr-1.5 [&[scope='row']]:pl-2.5 max-desk:[&[scope='row']]:w-[7.5em] max-desk:[&[scope='row']]:min-w-[7.5em]"
                scope="row"
                aria-sort={comparing.sortedBy === row.id
                  ? comparing.descending
                    ? 'descending'
                    : 'ascending'
                  : undefined}
              >
                <button
                  type="button"
                  class="line text-ink text-left min-h-6 hover:text-copper"
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
