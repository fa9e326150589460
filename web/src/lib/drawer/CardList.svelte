<!-- The cards by class, found by a word; packs in and out. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
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
    const read = await workbench.asks.readPack(await file.text());
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
    else saveFile(fileName('cards', 'json'), await workbench.asks.writePack(cards), 'application/json');
  }
</script>

<div class="flex flex-wrap gap-1.5 py-1.5 px-3 border-b">
  <input
    class="field grow"
    type="search"
    aria-label="find a card"
    placeholder="what it measures, 3.3 V, I²C, screw, a name"
    bind:value={word}
  />
  <label class="inline-flex items-center"
    ><Tick checked={drawer.ownOnly} change={(on) => drawer.setOwnOnly(on)} />mine alone</label
  >
  <Button onclick={() => enter()}><FileInput size={14} />Enter a part</Button>
  <Button onclick={() => picker?.click()}>Import a pack</Button>
  <Button disabled={drawer.ownLatest.length === 0} onclick={() => exportPack('json')}>Export mine</Button>
  <Button disabled={drawer.ownLatest.length === 0} onclick={() => exportPack('csv')}>as CSV</Button>
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
  <ul class="border-b-2 border-b-copper" aria-label="drafts">
    {#each desk.drafts as { id, draft, changed } (id)}
      <li class="flex items-center pr-2">
        <button
          type="button"
          class="line flex flex-wrap gap-x-3 w-full min-h-row py-0.5 px-3 border-b text-ink text-left items-center hover:bg-copper-soft"
          onclick={() => void desk.resume(id)}
        >
          <span class="min-w-[15em] font-semibold"
            >{nameOf(draft)}<span class="text-copper font-medium"> draft</span></span
          >
          <span class="unit grow">{say(classTitle(draft.cls)).split(':')[0]}</span>
          <span class="unit"
            >{new Date(changed).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })}</span
          >
        </button>
        <Button kind="bare" tone="lose" aria-label="throw {nameOf(draft)} away" onclick={() => void desk.drop(id)}
          ><X size={14} /></Button
        >
      </li>
    {/each}
  </ul>
{/if}
{#if desk.trouble}<p role="alert" class="m-0 px-3 py-1 text-danger">{desk.trouble}</p>{/if}
{#if trouble}<p role="alert" class="m-0 px-3 py-1 text-danger">{trouble}</p>{/if}
<div
  class="overflow-y-auto pb-3 data-over:bg-copper-soft"
  data-over={over || undefined}
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
      <h2 class="eyebrow mt-2.5 mb-0.5 mx-3 font-medium">{name} <span class="value">{cards.length}</span></h2>
      {#each cards as card (card.id)}
        {@const trust = trustOf(card)}
        <button
          type="button"
          class="line flex flex-wrap gap-x-3 w-full min-h-row py-0.5 px-3 border-b text-ink text-left items-center hover:bg-copper-soft"
          onclick={() => show(card.id)}
        >
          <span class="min-w-[15em] font-semibold"
            >{card.name}{#if drawer.isOwn(card.id)}<span class="text-copper font-medium">
                mine, {card.revision}</span
              >{/if}</span
          >
          <span class="unit grow">{card.class}</span>
          <span class="unit">{trust.figures - trust.assumed} of {trust.figures} figures sourced</span>
          <span class="value min-w-[6em] text-right">{price(card)}</span>
        </button>
      {/each}
    {/if}
  {:else}
    <p class="unit px-3">No card has that.</p>
  {/each}
</div>
