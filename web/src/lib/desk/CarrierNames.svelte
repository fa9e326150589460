<!-- Which printed name of a carrier leads to which pin of a controller, from a pasted list. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { counted } from '@idle-breadboard/core/words';
  import { readCarrierNames } from '@idle-breadboard/core/workshop';
  import { desk } from '../state/desk.svelte';
  import { drawer } from '../state/drawer.svelte';

  let board = $state('');
  const controllers = $derived([...drawer.cards.values()].filter(({ kind }) => kind === 'controller'));
  const controller = $derived(controllers.find(({ id }) => id === board) ?? controllers[0]);
  const text = $derived(desk.typing['carrier'] ?? '');
  const read = $derived(controller ? readCarrierNames(text, controller) : null);
  const question = $derived(desk.asked.find(({ pattern }) => pattern === 'carrier/fits'));

  function take() {
    if (!read || !question || !controller) return;
    const said = desk.draft?.answers.get('carrier/fits')?.said ?? [];
    const others = typeof said === 'string' ? [] : said.filter(([of]) => of !== controller.id);
    desk.answer(question, [...others, ...read.rows.map((row) => [...row])]);
  }
</script>

<div class="grid gap-1 justify-items-start py-1.5 px-3 border-b">
  <p class="m-0">
    <strong>What is printed on it, and the pin that it leads to</strong>
    <span class="unit">pasted: “S1 = D12, S2 = D13” or a line each</span>
  </p>
  <label
    >on <Select
      label="controller that the carrier fits"
      bind:value={board}
      choices={controllers.map((card) => ({ value: card.id, label: card.name }))}
    /></label
  >
  <textarea
    class="field value w-full border border-line bg-board"
    rows="4"
    aria-label="names on the carrier"
    spellcheck="false"
    value={text}
    oninput={(event) => desk.type('carrier', event.currentTarget.value)}
    onchange={take}></textarea>
  {#if read && text.trim() !== ''}
    <p class="m-0" role="status">
      {counted(read.rows.length, 'name leads', 'names lead')} to a pin of {controller?.name}.
      {#if read.unread.length > 0}Not understood, or no such pin: {read.unread.slice(0, 6).join(', ')}.{/if}
    </p>
  {/if}
</div>
