<!-- The boards of the build, from top to bottom, and how shared lines are laid on them. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { setBoards, setRules } from '@idle-breadboard/core/plan';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const MOST = 4;
  const boards = $derived(circuit.plan.boards);
  const cards = $derived([...workbench.library.values()].filter(({ board }) => board !== undefined));
  const name = (id: string) => workbench.library.get(id)?.name ?? id;

  const take = (next: readonly string[], why: string) =>
    workbench.plan && workbench.edit(setBoards(workbench.plan, next), why);
</script>

<div class="choice flex flex-wrap gap-x-2.5 gap-y-1 items-center py-1 px-2.5 border-b">
  {#each boards as id, i (i)}
    <span class="inline-flex items-center">
      <Select
        label="board {i + 1}"
        value={id}
        choices={cards.map((card) => ({ value: card.id, label: card.name }))}
        ahead
        change={(to) => take(boards.with(i, to), `take ${name(to)}`)}
      />
      <Button
        kind="bare"
        aria-label="take board {i + 1} away"
        onclick={() => take(boards.toSpliced(i, 1), `take ${name(id)} away`)}><X size={14} /></Button
      >
    </span>
  {:else}<span class="unit">No board: leads go from part to part.</span>{/each}
  <Button
    disabled={boards.length >= MOST || cards.length === 0}
    onclick={() => take([...boards, boards.at(-1) ?? cards[0]?.id ?? ''], 'add a board')}
    ><Plus size={14} />board</Button
  >
  <label class="unit">
    <Tick
      checked={circuit.plan.rules.sharedRow === 'always'}
      ahead
      change={(on) =>
        workbench.plan &&
        workbench.edit(setRules(workbench.plan, { sharedRow: on ? 'always' : 'needed' }), 'rows for shared lines')}
    /> a row of its own for each shared line</label
  >
</div>
