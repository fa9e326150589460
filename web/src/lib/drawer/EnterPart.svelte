<!-- Ways to enter a part: from its class, at the desk; or from a datasheet, a pasted table, a table of parts. -->
<script lang="ts">
  import ProgressLine from '../kit/ProgressLine.svelte';
  import { counted } from '@idle-breadboard/core/words';
  import Button from '../kit/Button.svelte';
  import X from '@lucide/svelte/icons/x';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import ClassList from '../desk/ClassList.svelte';
  import { desk } from '../state/desk.svelte';
  import { reading } from '../state/reading.svelte';
  import { reviews, type LeftReview } from '../state/reviews.svelte';

  let { back }: { back: () => void } = $props();
  let pasted = $state('');
  let over = $state(false);
  $effect(() => {
    void reviews.refresh();
  });
  const openOf = ({ figures }: LeftReview): number => figures.filter(({ decision }) => decision === 'open').length;
  const EXAMPLE = 'Parameter\tMin\tTyp\tMax\tUnit\nSupply voltage\t2.4\t3.3\t5.5\tV';

  async function take(file: File | undefined) {
    if (!file) return;
    if (/\.csv$|\.tsv$|text\/csv/i.test(`${file.name} ${file.type}`)) await reading.readTable(file);
    else await reading.readPdf(file);
  }
  const picked = (event: Event & { currentTarget: HTMLInputElement }) => {
    const input = event.currentTarget;
    const file = input.files?.[0];
    input.value = '';
    void take(file);
  };
</script>

<div class="grid gap-3.5 pt-2.5 pb-4 px-4 overflow-y-auto">
  <Button kind="bare" class="justify-self-start" onclick={back}><ArrowLeft size={14} />catalogue</Button>
  {#if reading.message}<p role="alert" class="py-2 px-3 border-l-4 border-l-danger bg-raised">{reading.message}</p>{/if}
  {#if reading.phase === 'reading'}
    <div class="grid gap-1.5 justify-items-start p-3 border bg-raised" role="status">
      <p>
        Reading {reading.file}{#if reading.progress.pages > 0}: page
          <span class="value">{reading.progress.page}</span> of <span class="value">{reading.progress.pages}</span>{/if}
      </p>
      <ProgressLine
        label="pages read"
        value={reading.progress.page}
        most={Math.max(1, reading.progress.pages)}
        class="w-full"
      />
      <Button onclick={() => reading.cancel()}>Cancel</Button>
    </div>
  {:else}
    {#if reviews.left.length > 0}
      <ul class="grid gap-1" aria-label="datasheets that were left">
        {#each reviews.left as review (review.id)}
          <li class="flex flex-wrap items-center gap-2">
            <Button onclick={() => reading.goOn(review)}>Go on with {review.name || review.title || review.file}</Button
            >
            <span class="unit">{counted(review.figures.length, 'figure')} read, {openOf(review)} still to look at</span>
            <Button
              kind="bare"
              aria-label="throw away what was read of {review.name || review.title || review.file}"
              onclick={() => reviews.drop(review.id)}><X size={13} /></Button
            >
          </li>
        {/each}
      </ul>
    {/if}
    <section class="grid gap-1.5" aria-label="from its class">
      <p class="m-0">
        <strong>What is it?</strong>
        <span class="unit">With the part, its sheet and an ohmmeter it is in the drawer in minutes.</span>
      </p>
      <ClassList choose={(cls) => void desk.begin(cls)} />
    </section>
    <div class="grid grid-cols-[repeat(auto-fit,minmax(300px,1fr))] gap-3.5">
      <label
        class="grid gap-1.5 justify-items-start p-3 border bg-raised border-dashed border-copper py-6 data-over:bg-copper-soft"
        data-over={over || undefined}
        ondragover={(event) => {
          event.preventDefault();
          over = true;
        }}
        ondragleave={() => (over = false)}
        ondrop={(event) => {
          event.preventDefault();
          over = false;
          void take(event.dataTransfer?.files[0]);
        }}
      >
        <span class="font-semibold">A datasheet as PDF, or a CSV of parts</span>
        <span class="unit">Drop it here, or choose a file. It is read in this browser and goes nowhere.</span>
        <input
          type="file"
          accept=".pdf,application/pdf,.csv,text/csv"
          aria-label="datasheet or table of parts"
          onchange={picked}
        />
      </label>
      <div class="grid gap-1.5 justify-items-start p-3 border bg-raised">
        <label for="pasted" class="font-semibold">Text or a table, pasted</label>
        <textarea
          id="pasted"
          class="field value w-full whitespace-pre border border-line bg-board"
          rows="4"
          placeholder={EXAMPLE}
          bind:value={pasted}></textarea>
        <Button disabled={pasted.trim() === ''} onclick={() => reading.readPaste(pasted)}>Read it</Button>
      </div>
    </div>
  {/if}
</div>
