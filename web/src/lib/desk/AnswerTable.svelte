<!-- An answer with several lines: a row for each thing, a column for each of what is said of it. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { QUANTITIES } from '@idle-breadboard/core/card';
  import {
    blankRow,
    choicesAt,
    columnTitle,
    type ColumnId,
    type Question,
    type Table,
  } from '@idle-breadboard/core/workshop';
  import { say } from '@idle-breadboard/core/words';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import { tick } from 'svelte';
  import { desk } from '../state/desk.svelte';
  import { workbench } from '../state/workbench.svelte';
  import AnswerField from './AnswerField.svelte';

  let { question, table, label, next }: { question: Question; table: Table; label: string; next: () => void } =
    $props();
  let body = $state<HTMLElement>();

  const columns = $derived(Object.entries(table.rows) as [ColumnId, (typeof table.rows)[string]][]);
  const said = $derived(desk.draft?.answers.get(question.places[0] ?? '')?.said ?? []);
  const rows = $derived(typeof said === 'string' ? [] : said);

  const choicesOf = (column: ColumnId): readonly string[] =>
    question.pattern === 'measures' && column === 'quantity'
      ? QUANTITIES.map(({ quantity }) => quantity)
      : choicesAt(desk.read.tree, `${question.pattern}/*/${column}`);

  function put(row: number, column: number, text: string) {
    const next = rows.map((cells, i) =>
      i === row ? cells.map((cell, j) => (j === column ? text : cell)) : [...cells],
    );
    // A quantity of the trade has its unit.
    if (question.pattern === 'measures' && column === 0) {
      const known = QUANTITIES.find(({ quantity }) => quantity === text);
      const cells = next[row];
      if (known && cells && (cells[1] ?? '') === '') cells[1] = known.unit;
    }
    desk.answer(question, next);
  }
  async function add() {
    desk.answer(question, [...rows, blankRow(question.pattern, table, workbench.buying.money.currency)]);
    await tick();
    body?.querySelector<HTMLElement>('tr:last-of-type [data-answer]')?.focus();
  }
  /** Enter in a row in which nothing was typed takes it away again. */
  const goOn = (row: number) => {
    const blank = blankRow(question.pattern, table, workbench.buying.money.currency);
    const cells = rows[row] ?? [];
    if (cells.every((cell, i) => cell === '' || cell === blank[i])) remove(row);
    next();
  };
  const remove = (row: number) => {
    const left = rows.filter((_, i) => i !== row);
    if (left.length > 0) desk.answer(question, left);
    else desk.none(question, false);
  };
</script>

<div class="table" bind:this={body}>
  {#if rows.length > 0}
    <div class="scroll overflow-x-auto">
      <table>
        <thead>
          <tr>
            {#each columns as [column] (column)}<th
                class="text-left font-normal text-quiet text-aside pr-1.5 whitespace-nowrap"
                scope="col">{say(columnTitle(column))}</th
              >{/each}
            <th class="text-left font-normal text-quiet text-aside pr-1.5 whitespace-nowrap"
              ><span class="sr-only">remove</span></th
            >
          </tr>
        </thead>
        <tbody>
          {#each rows as cells, r (r)}
            <tr>
              {#each columns as [column, form], c (column)}
                <td class="pr-1.5">
                  <AnswerField
                    {form}
                    inTable
                    value={cells[c] ?? ''}
                    label="{label}, row {r + 1}, {say(columnTitle(column))}"
                    choices={choicesOf(column)}
                    take={(text) => put(r, c, text)}
                    next={() => goOn(r)}
                  />
                </td>
              {/each}
              <td class="pr-1.5"
                ><Button kind="bare" aria-label="remove row {r + 1} of {label}" onclick={() => remove(r)}
                  ><X size={14} /></Button
                ></td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </div>
  {/if}
  <Button kind="bare" data-add aria-label="add a row to {label}" onclick={add}><Plus size={14} />add</Button>
</div>
