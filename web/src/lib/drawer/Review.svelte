<!-- What was read, figure by figure, beside the page that it stands on. Nothing enters a card unseen; what was taken goes to the desk. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import { EVIDENCE, SLOT_IDS } from '@idle-breadboard/core/card';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { classTitle, type ClassId } from '@idle-breadboard/core/workshop';
  import { counted, say } from '@idle-breadboard/core/words';
  import { tick } from 'svelte';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ClassList from '../desk/ClassList.svelte';
  import TextField from '../kit/TextField.svelte';
  import { desk } from '../state/desk.svelte';
  import { reviews } from '../state/reviews.svelte';
  import { reading } from '../state/reading.svelte';
  import { BY_HAND, type Figure } from '../state/review-figure';
  import FigureRow from './FigureRow.svelte';
  import PagePicture from './PagePicture.svelte';

  let { back }: { back: () => void } = $props();
  /** Set while the class is looked for. */
  let choosing = $state(false);
  let classButton = $state<HTMLElement | null>(null);
  const className = $derived(reading.cls === null ? '' : (say(classTitle(reading.cls)).split(':')[0] ?? ''));

  async function choose(cls: ClassId) {
    reading.cls = cls;
    choosing = false;
    await tick();
    classButton?.focus();
  }
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
      ? figure.said === BY_HAND
        ? BY_HAND
        : `page ${figure.page}`
      : (figure.quantity?.quantity ?? SUBJECTS[figure.slot.split('.')[0] ?? ''] ?? 'other');
  const groups = $derived([...Map.groupBy(reading.figures, groupOf)]);
  const sure = $derived(
    reading.figures.filter(({ decision, sureness }) => decision === 'open' && sureness === 'sure').length,
  );

  async function takeSure() {
    reading.takeSure();
    await tick();
    document.querySelector<HTMLElement>('[data-figure][data-current] [data-take]')?.focus();
  }
  /** Letters are keys where nothing is typed. */
  function onkey(event: KeyboardEvent) {
    const typing = event.target instanceof HTMLElement && event.target.matches('input, textarea, [role="combobox"]');
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
    // The quantity that the sheet speaks of, until another is said.
    const measured = reading.figures.find(({ quantity }) => quantity)?.quantity;
    reading.add(known, known.startsWith('measure.') ? measured : undefined);
  }

  async function toDesk() {
    const { cls, name, taken, id, title, evidence } = reading;
    if (cls === null) return;
    await reading.learn();
    await desk.fromSheet(cls, name.trim(), taken, id, { kind: evidence, title: title || name.trim() });
  }
</script>

<svelte:window onkeydown={onkey} />

<div class="flex flex-wrap gap-2 items-center py-1 px-3 border-b">
  <Button kind="bare" onclick={back}><ArrowLeft size={14} />start again</Button>
  <span class="unit grow"
    >{#if reading.figures.length > 0}{counted(reading.figures.length, 'figure')} read: {counts.join(', ')}. {reading.open}
      still to look at.{:else}Nothing was read; add figures below.{/if}
    {#if reading.readPages < reading.pages}Only the first {reading.readPages} of {reading.pages} pages were read.{/if}
    {#if reading.unread.length > 0}Not understood: {reading.unread.slice(0, 5).join(', ')}.{/if}
    {#if reading.queue.length > 0}{counted(reading.queue.length, 'more part follows', 'more parts follow')}.{/if}
    {#if reading.unreadSpots.length > 0}{reading.unreadSpots.length} more {reading.unreadSpots.length === 1
        ? 'value stands'
        : 'values stand'} on the pages, marked lightly.{/if}</span
  >
  {#if sure > 0}<Button aria-keyshortcuts="S" onclick={takeSure}
      >Take {sure === 1 ? 'the sure one' : `all ${sure} sure ones`}<kbd>S</kbd></Button
    >{/if}
</div>
<div
  class="grid grid-cols-[minmax(0,1.05fr)_minmax(0,1fr)] flex-1 min-h-0 max-desk:grid-cols-1 max-desk:overflow-y-auto"
>
  <div class="flex flex-col min-h-0">
    <div class="flex flex-wrap gap-x-3.5 gap-y-0.5 py-1.5 px-3 border-b">
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
        >it is <Button bind:ref={classButton} aria-expanded={choosing} onclick={() => (choosing = !choosing)}
          >{className === '' ? 'say what it is' : `a ${className}`}<ChevronDown size={13} /></Button
        ></span
      >
      <span
        >figures from <Select
          label="kind of source"
          class="max-w-[20em]"
          bind:value={
            () => reading.evidence,
            (to) => (reading.evidence = EVIDENCE.find((kind) => kind === to) ?? reading.evidence)
          }
          choices={EVIDENCE.map((kind) => ({ value: kind, label: kind === 'seller' ? 'seller’s page' : kind }))}
        />
        <TextField
          value={reading.title}
          label="title of the source"
          width="13em"
          most={160}
          change={(title) => (reading.title = title)}
        /></span
      >
    </div>
    {#if choosing}<div class="flex-[0_1_60%] overflow-y-auto py-1.5 px-3 border-b">
        <ClassList {choose} chosen={reading.cls} />
      </div>{/if}
    <div class="overflow-y-auto flex-1 max-desk:overflow-visible">
      {#each groups as [group, figures] (group)}
        <h3 class="eyebrow mt-2 mb-0.5 mx-3 font-medium">{group}</h3>
        {#each figures as figure (figure.id)}<FigureRow {figure} />{/each}
      {/each}
      <div class="py-2 px-3">
        <Select
          label="add a figure"
          value=""
          choices={addable.map((slot) => ({ value: slot, label: say(wordOf('slot', slot)) }))}
          change={add}
          placeholder="add a figure"
        />
      </div>
    </div>
  </div>
  <div class="right flex flex-col min-h-0 border-l bg-bench max-desk:border-l-0">
    <PagePicture />
    <div class="grid gap-1.5 justify-items-start py-2 px-3 border-t bg-board max-h-[34%] overflow-y-auto">
      <p class="m-0">
        {#if reading.cls === null}Say what it is: the desk then asks for what the sheet does not say.
        {:else if reading.name.trim() === ''}It wants a name.
        {:else}At the desk stands what was taken, and is asked what the sheet does not say.{/if}
      </p>
      <Button
        disabled={reading.cls === null || taken === 0 || reading.name.trim() === '' || desk.opening}
        onclick={toDesk}>To the desk with {counted(taken, 'figure')}<ArrowRight size={14} /></Button
      >
      {#if desk.trouble}<p role="alert" class="m-0 text-danger">{desk.trouble}</p>{/if}
    </div>
  </div>
</div>
