<!-- Ways to enter a part: from its class, at the desk; or from a datasheet, a pasted table, a table of parts. -->
<script lang="ts">
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

<div class="ways">
  <button type="button" class="act bare back" onclick={back}><ArrowLeft size={14} />catalogue</button>
  {#if reading.message}<p role="alert" class="refusal">{reading.message}</p>{/if}
  {#if reading.phase === 'reading'}
    <div class="going" role="status">
      <p>
        Reading {reading.file}{#if reading.progress.pages > 0}: page
          <span class="value">{reading.progress.page}</span> of <span class="value">{reading.progress.pages}</span>{/if}
      </p>
      <progress max={Math.max(1, reading.progress.pages)} value={reading.progress.page} aria-label="pages read"
      ></progress>
      <button type="button" class="act" onclick={() => reading.cancel()}>Cancel</button>
    </div>
  {:else}
    {#if reviews.left.length > 0}
      <ul class="left" aria-label="datasheets that were left">
        {#each reviews.left as review (review.id)}
          <li>
            <button type="button" class="act" onclick={() => reading.goOn(review)}
              >Go on with {review.name || review.title || review.file}</button
            >
            <span class="unit">{review.figures.length} figures read, {openOf(review)} still to look at</span>
            <button
              type="button"
              class="act bare"
              aria-label="throw away what was read of {review.name || review.title || review.file}"
              onclick={() => reviews.drop(review.id)}><X size={13} /></button
            >
          </li>
        {/each}
      </ul>
    {/if}
    <section aria-label="from its class">
      <p class="m-0">
        <strong>What is it?</strong>
        <span class="unit">With the part, its sheet and an ohmmeter it is in the drawer in minutes.</span>
      </p>
      <ClassList choose={(cls) => void desk.begin(cls)} />
    </section>
    <div class="read">
      <label
        class="drop"
        class:over
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
      <div class="paste">
        <label for="pasted" class="font-semibold">Text or a table, pasted</label>
        <textarea id="pasted" class="field value" rows="4" placeholder={EXAMPLE} bind:value={pasted}></textarea>
        <button type="button" class="act" disabled={pasted.trim() === ''} onclick={() => reading.readPaste(pasted)}
          >Read it</button
        >
      </div>
    </div>
  {/if}
</div>

<style>
  .ways {
    display: grid;
    gap: 14px;
    padding: 10px 16px 16px;
    overflow-y: auto;
  }
  .back {
    justify-self: start;
  }
  .read {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
    gap: 14px;
  }
  .left {
    display: grid;
    gap: 4px;
    margin: 0;
    padding: 0;
    list-style: none;
  }
  .left li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px;
  }
  section {
    display: grid;
    gap: 6px;
  }
  .drop,
  .paste,
  .going {
    display: grid;
    gap: 6px;
    justify-items: start;
    padding: 12px;
    border: 1px solid var(--line);
    background: var(--raised);
  }
  .drop {
    border-style: dashed;
    border-color: var(--copper);
    padding-block: 24px;
  }
  .drop.over {
    background: var(--copper-soft);
  }
  textarea {
    width: 100%;
    white-space: pre;
    border: 1px solid var(--line);
    background: var(--board);
  }
  progress {
    width: 100%;
    accent-color: var(--copper);
  }
  .refusal {
    margin: 0;
    padding: 8px 12px;
    border-left: 4px solid var(--danger);
    background: var(--raised);
  }
  p {
    margin: 0;
  }
</style>
