<!-- The cards of a pack, one by one: new, the same, newer, older, or changed apart from one's own; and which of them are taken. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { against, differences, type Against, type Card } from '@idle-breadboard/core/card';
  import { counted, say } from '@idle-breadboard/core/words';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { drawer } from '../state/drawer.svelte';
  import { telling } from '../state/telling.svelte';

  let { file, cards, done }: { file: string; cards: readonly Card[]; done: () => void } = $props();

  type Choice = 'mine' | 'theirs' | 'both';
  const WORDS: Readonly<Record<Against, string>> = {
    new: 'new',
    same: 'the same',
    newer: 'newer than mine',
    older: 'older than mine',
    apart: 'changed apart from mine',
  };
  const USUAL: Readonly<Record<Against, Choice>> = {
    new: 'theirs',
    same: 'mine',
    newer: 'theirs',
    older: 'mine',
    apart: 'mine',
  };

  const rows = $derived(
    cards.map((card) => {
      const mine = drawer.cards.get(card.id);
      return { card, mine, how: against(mine, card), changes: mine ? differences(mine, card) : [] };
    }),
  );
  let chosen = $state<Record<string, Choice>>({});
  const choiceOf = (row: (typeof rows)[number]): Choice => chosen[row.card.id] ?? USUAL[row.how];
  const taken = $derived(rows.filter((row) => choiceOf(row) !== 'mine').length);

  async function take() {
    const wanted = rows.flatMap((row) => {
      const choice = choiceOf(row);
      if (choice === 'mine') return [];
      return [choice === 'both' ? { ...row.card, id: drawer.freeId(row.card.name), revision: 1 } : row.card];
    });
    const kept = await drawer.keep(wanted);
    telling.say(`${kept.length} of ${counted(cards.length, 'card')} taken from ${file}.`);
    done();
  }
</script>

<div class="flex flex-wrap gap-1.5 items-center py-1 px-3 border-b">
  <Button kind="bare" onclick={done}><ArrowLeft size={14} />catalogue</Button>
  <span class="unit grow">{counted(cards.length, 'card')}; what I have stays unless I say otherwise</span>
  <Button disabled={taken === 0} onclick={take}>Take {counted(taken, 'card')}</Button>
</div>
<div class="rows overflow-y-auto">
  {#each rows as row (row.card.id)}
    <div
      class="grid grid-cols-[minmax(0,1fr)_auto_auto] gap-x-3.5 gap-y-0.5 items-center min-h-row py-1 px-3 border-b max-desk:grid-cols-1 {row.how}"
      data-pack={row.how}
    >
      <span class="font-semibold">{row.card.name}</span>
      <span class="unit"
        >{WORDS[row.how]}{row.mine ? `: ${row.mine.revision} here, ${row.card.revision} there` : ''}</span
      >
      <span role="radiogroup" aria-label="which of {row.card.name}">
        {#if row.how === 'new'}
          {#each [['theirs', 'take'], ['mine', 'leave']] as const as [choice, word] (choice)}
            <Button
              kind="bare"
              role="radio"
              aria-checked={choiceOf(row) === choice}
              onclick={() => (chosen[row.card.id] = choice)}>{word}</Button
            >
          {/each}
        {:else if row.how !== 'same'}
          {#each ['mine', 'theirs', 'both'] as const as choice (choice)}
            <Button
              kind="bare"
              role="radio"
              aria-checked={choiceOf(row) === choice}
              onclick={() => (chosen[row.card.id] = choice)}>{choice}</Button
            >
          {/each}
        {/if}
      </span>
      {#if row.how !== 'same' && row.mine}
        <p class="unit m-0 col-span-full">
          {row.changes.length === 0
            ? 'No figure differs; names, pins or offers do.'
            : `Differs in ${row.changes
                .map(({ title }) => say(title))
                .slice(0, 6)
                .join('; ')}${row.changes.length > 6 ? ` and ${row.changes.length - 6} more` : ''}.`}
        </p>
      {/if}
    </div>
  {/each}
</div>

<style>
  .apart {
    box-shadow: inset 3px 0 var(--caution);
  }
</style>
