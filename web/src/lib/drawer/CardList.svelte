<!-- The cards by class, found by a word; packs in and out. -->
<script lang="ts">
  import { isFound, trustOf, type Card } from '@idle-breadboard/core/card';
  import { say, sayProblems } from '@idle-breadboard/core/words';
  import { classTitle } from '@idle-breadboard/core/workshop';
  import { cardsCsv } from '@idle-breadboard/core/files';
  import { chosenOffer } from '@idle-breadboard/core/plan';
  import X from '@lucide/svelte/icons/x';
  import FileInput from '@lucide/svelte/icons/file-input';
  import { fileName, saveFile } from '../kit/save-file';
  import { money } from '../kit/words';
  import { desk, nameOf } from '../state/desk.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { workbench } from '../state/workbench.svelte';

  let {
    enter,
    show,
    take,
  }: {
    enter: () => void;
    show: (id: string) => void;
    /** A pack whose cards are to be looked at one by one. */
    take: (file: string, cards: readonly Card[]) => void;
  } = $props();
  let word = $state('');
  let over = $state(false);
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
    ['cable', 'cables'],
    ['capacitor', 'capacitors'],
    ['joint', 'joints'],
  ];
  const found = $derived(drawer.listed.filter((card) => isFound(card, word)));
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
    trouble = '';
    take(file.name, read.value);
  }

  async function exportPack(of: 'json' | 'csv') {
    const cards = drawer.ownLatest.filter((card) => isFound(card, word));
    if (of === 'csv') saveFile(fileName('cards', 'csv'), cardsCsv(cards), 'text/csv');
    else saveFile(fileName('cards', 'json'), await workbench.writePack(cards), 'application/json');
  }
</script>

<div class="tools">
  <input
    class="field grow"
    type="search"
    aria-label="find a card"
    placeholder="what it measures, 3.3 V, I²C, screw, a name"
    bind:value={word}
  />
  <label class="inline-flex items-center"
    ><input
      type="checkbox"
      checked={drawer.ownOnly}
      onchange={(event) => drawer.setOwnOnly(event.currentTarget.checked)}
    />mine alone</label
  >
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
{#if desk.drafts.length > 0}
  <ul class="drafts" aria-label="drafts">
    {#each desk.drafts as { id, draft, changed } (id)}
      <li>
        <button type="button" class="line" onclick={() => void desk.resume(id)}>
          <span class="name">{nameOf(draft)}<span class="mine"> draft</span></span>
          <span class="unit grow">{say(classTitle(draft.cls)).split(':')[0]}</span>
          <span class="unit"
            >{new Date(changed).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}</span
          >
        </button>
        <button
          type="button"
          class="act bare text-danger"
          aria-label="throw {nameOf(draft)} away"
          onclick={() => void desk.drop(id)}><X size={14} /></button
        >
      </li>
    {/each}
  </ul>
{/if}
{#if desk.trouble}<p role="alert" class="m-0 px-3 py-1 text-danger">{desk.trouble}</p>{/if}
{#if trouble}<p role="alert" class="m-0 px-3 py-1 text-danger">{trouble}</p>{/if}
<div
  class="list"
  class:over
  role="region"
  aria-label="cards"
  ondragover={(event) => {
    event.preventDefault();
    over = true;
  }}
  ondragleave={() => (over = false)}
  ondrop={(event) => {
    event.preventDefault();
    over = false;
    void importPack(event.dataTransfer?.files[0]);
  }}
>
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
    <p class="unit px-3">No card has that.</p>
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
  .drafts {
    margin: 0;
    padding: 0;
    list-style: none;
    border-bottom: 2px solid var(--copper);
  }
  .drafts li {
    display: flex;
    align-items: center;
    padding-right: 8px;
  }
  .list.over {
    background: var(--copper-soft);
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
