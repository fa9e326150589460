<!-- What was read, figure by figure, beside the page that it stands on. Nothing enters a card unseen. -->
<script lang="ts">
  import { EVIDENCE, SLOT_IDS } from '@idle-breadboard/core/card';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { say, sayProblems } from '@idle-breadboard/core/words';
  import { tick } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import QuantityField from '../kit/QuantityField.svelte';
  import TextField from '../kit/TextField.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { reviews } from '../state/reviews.svelte';
  import { reading } from '../state/reading.svelte';
  import type { Figure } from '../state/review-figure';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import FigureRow from './FigureRow.svelte';
  import PagePicture from './PagePicture.svelte';

  let { back, done }: { back: () => void; done: (id: string) => void } = $props();
  let trouble = $state('');

  const templates = $derived(
    [...drawer.cards.values()].filter(({ kind }) => ['module', 'regulator', 'driver', 'source'].includes(kind)),
  );
  const SUBJECTS: Readonly<Record<string, string>> = {
    supply: 'supply',
    logic: 'signals',
    port: 'bus',
    body: 'body',
    rail: 'supply',
    terminal: 'terminals',
    measure: 'measuring',
  };
  /** Page by page, as a person reads; a table has no pages. */
  const groupOf = (figure: Figure): string =>
    reading.kind === 'pdf'
      ? figure.said === 'entered by hand'
        ? 'entered by hand'
        : `page ${figure.page}`
      : (figure.quantity?.quantity ?? SUBJECTS[figure.slot.split('.')[0] ?? ''] ?? 'other');
  const groups = $derived([...Map.groupBy(reading.figures, groupOf)]);
  const sure = $derived(
    reading.figures.filter(({ decision, sureness }) => decision === 'open' && sureness === 'sure').length,
  );

  async function takeSure() {
    reading.takeSure();
    await tick();
    document.querySelector<HTMLElement>('[data-figure].current [data-take]')?.focus();
  }
  /** Letters are keys where nothing is typed. */
  function onkey(event: KeyboardEvent) {
    const typing = event.target instanceof HTMLElement && event.target.matches('input, select, textarea');
    if (typing || event.ctrlKey || event.metaKey || event.altKey || event.key.toLowerCase() !== 's' || sure === 0)
      return;
    event.preventDefault();
    void takeSure();
  }
  // Kept at every change.
  $effect(() => {
    if (reading.kept) void reviews.keep(reading.kept);
  });
  // The first figure waits for its key.
  $effect(() => {
    if (reading.phase === 'review') document.querySelector<HTMLElement>('[data-figure] [data-take]')?.focus();
  });
  const taken = $derived(reading.figures.filter(({ decision }) => decision === 'taken').length);
  const SURE_WORDS = { sure: 'sure', likely: 'likely', doubtful: 'doubtful' };
  const counts = $derived(
    (['sure', 'likely', 'doubtful'] as const).map(
      (s) => `${reading.figures.filter((f) => f.sureness === s).length} ${SURE_WORDS[s]}`,
    ),
  );
  const addable = SLOT_IDS.filter((slot) => !['terminal', 'port.identity', 'body.size'].includes(slot));

  function add(slot: string) {
    const known = addable.find((s) => s === slot);
    if (!known) return;
    const measure = reading.template?.measures[0];
    reading.add(
      known,
      known.startsWith('measure.') && measure ? { quantity: measure.quantity, unit: measure.unit } : undefined,
    );
  }

  async function keep() {
    const made = reading.made;
    if (!made) return;
    const problems = await workbench.cardProblems(made.card);
    if (problems.length > 0) {
      trouble = sayProblems(problems)
        .map(({ path, message }) => `${path} ${message}`.trim())
        .join('; ');
      return;
    }
    const [kept] = await drawer.keep([made.card]);
    view.say(`${made.card.name} is in the catalogue.`);
    if (reading.id !== null) await reviews.drop(reading.id);
    if (!reading.nextOfTable()) {
      reading.cancel();
      done((kept ?? made.card).id);
    }
  }
</script>

<svelte:window onkeydown={onkey} />

<div class="head">
  <button type="button" class="act bare" onclick={back}><ArrowLeft size={14} />start again</button>
  <span class="unit grow"
    >{#if reading.figures.length > 0}{reading.figures.length} figures read: {counts.join(', ')}. {reading.open} still to look
      at.{:else}Nothing was read; add figures below.{/if}
    {#if reading.readPages < reading.pages}Only the first {reading.readPages} of {reading.pages} pages were read.{/if}
    {#if reading.unread.length > 0}Not understood: {reading.unread.slice(0, 5).join(', ')}.{/if}
    {#if reading.queue.length > 0}{reading.queue.length} more parts follow.{/if}
    {#if reading.unreadSpots.length > 0}{reading.unreadSpots.length} more {reading.unreadSpots.length === 1
        ? 'value stands'
        : 'values stand'} on the pages, marked lightly.{/if}</span
  >
  {#if sure > 0}<button type="button" class="act" aria-keyshortcuts="S" onclick={takeSure}
      >Take {sure === 1 ? 'the sure one' : `all ${sure} sure ones`}<kbd>S</kbd></button
    >{/if}
</div>
<div class="review">
  <div class="left">
    <div class="about">
      <span
        >name <TextField
          value={reading.name}
          label="name of the part"
          width="14em"
          most={80}
          change={(name) => (reading.name = name)}
        /></span
      >
      <span
        >like <select class="field" aria-label="class template" bind:value={reading.templateId}>
          <option value={null}>choose a card of its class</option>
          {#each templates as card (card.id)}<option value={card.id}>{card.name}: {card.class}</option>{/each}
        </select></span
      >
      <span
        >figures from <select class="field" aria-label="kind of source" bind:value={reading.evidence}>
          {#each EVIDENCE as kind (kind)}<option value={kind}>{kind === 'seller' ? 'seller’s page' : kind}</option
            >{/each}
        </select>
        <TextField
          value={reading.title}
          label="title of the source"
          width="13em"
          most={160}
          change={(title) => (reading.title = title)}
        /></span
      >
      <span
        >paid for it <QuantityField
          value={reading.price}
          unit=""
          label="price of the part"
          width="4em"
          check={(v) => (v >= 0 ? null : '0 or more')}
          change={(price) => (reading.price = price)}
        /> EUR</span
      >
    </div>
    <div class="figures">
      {#each groups as [group, figures] (group)}
        <h3 class="eyebrow">{group}</h3>
        {#each figures as figure (figure.id)}<FigureRow {figure} />{/each}
      {/each}
      <div class="more">
        <select
          class="field"
          aria-label="add a figure"
          value=""
          onchange={(event) => {
            add(event.currentTarget.value);
            event.currentTarget.value = '';
          }}
        >
          <option value="">add a figure</option>
          {#each addable as slot (slot)}<option value={slot}>{say(wordOf('slot', slot))}</option>{/each}
        </select>
      </div>
    </div>
  </div>
  <div class="right">
    <PagePicture />
    <div class="outcome">
      {#if reading.made}
        {#if reading.made.left.length > 0}
          <p class="m-0">
            <span class="font-semibold">No place for:</span>
            {reading.made.left.map(({ figure, why }) => `${say(figure.name)} (${say(why)})`).join('; ')}
          </p>
        {/if}
        <details>
          <summary
            >{reading.made.missing.length}
            {reading.made.missing.length === 1 ? 'figure is' : 'figures are'} missing that checks ask for; what the template
            says stays assumed</summary
          >
          <ul>
            {#each reading.made.missing as miss (say(miss.title))}<li>
                <span class="font-semibold">{say(miss.title)}</span>: {say(miss.without)}
              </li>{/each}
          </ul>
        </details>
      {:else}
        <p class="m-0">
          Choose a card of its class: what this datasheet does not say is taken over from it, as assumed.
        </p>
      {/if}
      {#if trouble}<p role="alert" class="m-0 text-danger">{trouble}</p>{/if}
      <button
        type="button"
        class="act"
        disabled={!reading.made || taken === 0 || reading.name.trim() === ''}
        onclick={keep}>Make the card of {taken} {taken === 1 ? 'figure' : 'figures'}</button
      >
    </div>
  </div>
</div>

<style>
  .head {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    padding: 4px 12px;
    border-bottom: 1px solid var(--line);
  }
  .review {
    display: grid;
    grid-template-columns: minmax(0, 1.05fr) minmax(0, 1fr);
    flex: 1;
    min-height: 0;
  }
  .left,
  .right {
    display: flex;
    flex-direction: column;
    min-height: 0;
  }
  .right {
    border-left: 1px solid var(--line);
    background: var(--bench);
  }
  .about {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 14px;
    padding: 6px 12px;
    border-bottom: 1px solid var(--line);
  }
  .about select {
    max-width: 20em;
  }
  .figures {
    overflow-y: auto;
    flex: 1;
  }
  h3 {
    margin: 8px 12px 2px;
    font-weight: 500;
  }
  .more {
    padding: 8px 12px;
  }
  .outcome {
    display: grid;
    gap: 6px;
    justify-items: start;
    padding: 8px 12px;
    border-top: 1px solid var(--line);
    background: var(--board);
    max-height: 34%;
    overflow-y: auto;
  }
  ul {
    margin: 4px 0;
    padding-left: 18px;
  }
  @media (max-width: 759px) {
    .review {
      grid-template-columns: minmax(0, 1fr);
      overflow-y: auto;
    }
    .right {
      border-left: 0;
    }
    .figures {
      overflow: visible;
    }
  }
</style>
