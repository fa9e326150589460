<!-- The cards by class, found by a word; packs in and out. -->
<script lang="ts">
  import { trustOf, type Card } from '@idle-breadboard/core/card';
  import { sayProblems } from '@idle-breadboard/core/words';
  import { cardsCsv } from '@idle-breadboard/core/files';
  import { chosenOffer } from '@idle-breadboard/core/plan';
  import FileInput from '@lucide/svelte/icons/file-input';
  import { fileName, saveFile } from '../kit/save-file';
  import { money } from '../kit/words';
  import { drawer } from '../state/drawer.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { enter, show }: { enter: () => void; show: (id: string) => void } = $props();
  let word = $state('');
  let ownOnly = $state(false);
  let trouble = $state('');
  let picker = $state<HTMLInputElement>();

  const KINDS: readonly (readonly [Card['kind'], string])[] = [
    ['module', 'modules'],
    ['controller', 'controllers'],
    ['carrier', 'carriers'],
    ['source', 'sources of power'],
    ['regulator', 'regulators'],
    ['driver', 'drivers'],
    ['translator', 'translators'],
    ['diode', 'diodes'],
    ['switch', 'switches'],
    ['resistor', 'resistors'],
    ['board', 'boards'],
    ['leads', 'leads'],
  ];
  const matches = (card: Card) =>
    (!ownOnly || drawer.isOwn(card.id)) &&
    `${card.name} ${card.class} ${card.measures.map(({ quantity }) => quantity).join(' ')} ${(card.serves ?? []).join(' ')}`
      .toLowerCase()
      .includes(word.trim().toLowerCase());
  const found = $derived([...drawer.cards.values()].filter(matches));
  const price = (card: Card) => {
    const offer = chosenOffer(card, workbench.buying);
    return offer ? money(offer.price / offer.pack, offer.currency) : '';
  };

  async function importPack(file: File | undefined) {
    if (!file) return;
    const read = await workbench.readPack(await file.text());
    if (!read?.ok) {
      trouble = `${file.name}: ${sayProblems(read?.problems ?? [])
        .map(({ path, message }) => `${path} ${message}`.trim())
        .slice(0, 6)
        .join('; ')}. Nothing was taken.`;
      return;
    }
    const kept = await drawer.keep(read.value);
    trouble = '';
    view.say(`${kept.length} of ${read.value.length} cards taken from ${file.name}; the others were here already.`);
  }

  async function exportPack(of: 'json' | 'csv') {
    const cards = ownOnly || drawer.ownLatest.length > 0 ? drawer.ownLatest : found;
    if (of === 'csv') saveFile(fileName('cards', 'csv'), cardsCsv(cards), 'text/csv');
    else saveFile(fileName('cards', 'json'), await workbench.writePack(cards), 'application/json');
  }
</script>

<div class="tools">
  <input
    class="field grow"
    type="search"
    aria-label="find a card"
    placeholder="name, class or quantity"
    bind:value={word}
  />
  <label class="inline-flex items-center"><input type="checkbox" bind:checked={ownOnly} />my own</label>
  <button type="button" class="act" onclick={() => enter()}><FileInput size={14} />Enter a part</button>
  <button type="button" class="act" onclick={() => picker?.click()}>Import a pack</button>
  <button type="button" class="act" disabled={drawer.ownLatest.length === 0} onclick={() => exportPack('json')}
    >Export mine</button
  >
  <button type="button" class="act" disabled={drawer.ownLatest.length === 0} onclick={() => exportPack('csv')}
    >as CSV</button
  >
  <input
    hidden
    type="file"
    accept=".json,application/json"
    aria-label="pack of cards to import"
    bind:this={picker}
    onchange={async (event) => {
      const input = event.currentTarget;
      await importPack(input.files?.[0]);
      input.value = '';
    }}
  />
</div>
{#if trouble}<p role="alert" class="m-0 px-3 py-1 text-danger">{trouble}</p>{/if}
<div class="list">
  {#each KINDS as [kind, name] (kind)}
    {@const cards = found.filter((card) => card.kind === kind)}
    {#if cards.length > 0}
      <h2 class="eyebrow">{name} <span class="value">{cards.length}</span></h2>
      {#each cards as card (card.id)}
        {@const trust = trustOf(card)}
        <button type="button" class="line" onclick={() => show(card.id)}>
          <span class="name"
            >{card.name}{#if drawer.isOwn(card.id)}<span class="mine"> mine, {card.revision}</span>{/if}</span
          >
          <span class="unit grow">{card.class}</span>
          <span class="unit">{trust.figures - trust.assumed} of {trust.figures} figures sourced</span>
          <span class="value price">{price(card)}</span>
        </button>
      {/each}
    {/if}
  {:else}
    <p class="unit px-3">No card of that name.</p>
  {/each}
</div>

<style>
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    padding: 6px 12px;
    border-bottom: 1px solid var(--line);
  }
  .list {
    overflow-y: auto;
    padding-bottom: 12px;
  }
  h2 {
    margin: 10px 12px 2px;
    font-weight: 500;
  }
  .line {
    display: flex;
    flex-wrap: wrap;
    gap: 0 12px;
    width: 100%;
    min-height: var(--row);
    padding: 2px 12px;
    border: 0;
    border-bottom: 1px solid var(--line);
    background: transparent;
    color: var(--ink);
    font: inherit;
    text-align: left;
    align-items: center;
  }
  .line:hover {
    background: var(--copper-soft);
  }
  .name {
    min-width: 15em;
    font-weight: 600;
  }
  .mine {
    color: var(--copper);
    font-weight: 500;
  }
  .price {
    min-width: 6em;
    text-align: right;
  }
</style>
