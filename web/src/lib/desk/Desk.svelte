<!-- The desk: one list of questions, and beside it the part as it is drawn, the question in hand, and the part alone on the bench. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import type { Card } from '@idle-breadboard/core/card';
  import { classTitle, GROUPS, groupOf, groupTitle, type Question } from '@idle-breadboard/core/workshop';
  import { say } from '@idle-breadboard/core/words';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { onMount, tick } from 'svelte';
  import { desk, keyOfQuestion } from '../state/desk.svelte';
  import { telling } from '../state/telling.svelte';
  import AloneBench from './AloneBench.svelte';
  import CarrierNames from './CarrierNames.svelte';
  import FromSheet from './FromSheet.svelte';
  import InHand from './InHand.svelte';
  import PartDrawing from './PartDrawing.svelte';
  import PhotoBeside from './PhotoBeside.svelte';
  import PinTableIn from './PinTableIn.svelte';
  import Printed from './Printed.svelte';
  import QuestionRow from './QuestionRow.svelte';
  import SourceBar from './SourceBar.svelte';

  let {
    leaving,
    stay,
    left,
    sheet,
    kept,
  }: {
    /** Set while it is asked whether to leave. */
    leaving: boolean;
    stay: () => void;
    left: () => void;
    /** Back to the review that the figures came from. */
    sheet: (review: string) => void;
    kept: (card: Card) => void;
  } = $props();

  let list = $state<HTMLElement>();
  let asking = $state<HTMLElement | null>(null);
  const draft = $derived(desk.draft);
  const groups = $derived(
    GROUPS.flatMap((id) => {
      const questions = desk.questions.filter((question) => groupOf(question) === id && !isPrint(question));
      return questions.length > 0 ? [{ id, questions }] : [];
    }),
  );
  /** What is printed is typed above; its tables are there for whoever wants to see them. */
  const isPrint = ({ pattern }: Question) => !desk.whole && (pattern === 'headers' || pattern === 'terminals');
  const waiting = $derived(desk.asked.filter((one) => desk.standing(one) === 'proposed').length);

  async function goTo(question: Question | null) {
    if (!question) return;
    desk.current = keyOfQuestion(question);
    await tick();
    const row = list?.querySelector(`[data-question="${CSS.escape(desk.current)}"]`);
    row?.scrollIntoView({ block: 'nearest' });
    const first =
      row?.querySelector<HTMLElement>('[data-confirm]') ?? row?.querySelector<HTMLElement>('[data-answer], [data-add]');
    first?.focus();
  }
  const next = (after: Question | null) => goTo(nextShown(after));
  /** The next that is asked in the list; what is printed is asked above. */
  function nextShown(after: Question | null): Question | null {
    for (let at = desk.next(after), n = 0; at && n < desk.asked.length; at = desk.next(at), n++)
      if (!isPrint(at)) return at;
    return null;
  }

  $effect(() => {
    if (leaving) asking?.focus();
  });
  // What came from a sheet is looked through from the first that waits; what is printed comes first where no sheet said it.
  onMount(() => {
    if (!desk.sheet) return;
    const isPrinted = draft?.headers.some(({ text }) => text.trim() !== '') ?? false;
    if (isPrinted) void next(null);
    else list?.querySelector<HTMLElement>('[aria-label="printed along the first header"]')?.focus();
  });

  async function keep() {
    const card = await desk.keep();
    if (!card) return;
    telling.say(`${card.name} lies in the drawer.`);
    kept(card);
  }
  async function leave() {
    await desk.leave();
    left();
  }
  async function drop() {
    await desk.drop();
    left();
  }
</script>

{#if draft}
  {#if leaving}
    <div
      class="flex flex-wrap gap-x-2.5 gap-y-1 items-center py-1 px-3 border-b bg-copper-soft border-l-4 border-l-copper"
      role="alertdialog"
      aria-label="leave the desk?"
    >
      <span>{desk.name} is not in the drawer yet.</span>
      <Button bind:ref={asking} onclick={leave}>Leave the draft here</Button>
      <Button onclick={stay}>Go on</Button>
      <Button kind="bare" tone="lose" onclick={drop}>Throw it away</Button>
    </div>
  {/if}
  <div class="flex flex-wrap gap-x-2.5 gap-y-1 items-center py-1 px-3 border-b">
    <Button kind="bare" onclick={leave}><ArrowLeft size={14} />catalogue</Button>
    <span class="unit grow"
      >{say(classTitle(draft.cls)).split(':')[0]}{#if desk.revises}, the next revision of {desk.revises}{/if}; kept as
      you type</span
    >
    <span role="status" class="unit"
      ><span class="value">{desk.open}</span> open{#if waiting > 0}, <span class="value">{waiting}</span> to confirm{/if}</span
    >
    <label class="inline-flex items-center"><Tick bind:checked={desk.whole} />everything a card can say</label>
    <Button disabled={!desk.card} onclick={keep}>Into the drawer</Button>
  </div>
  {#if desk.trouble}<p role="alert" class="m-0 px-3 text-danger">{desk.trouble}</p>{/if}
  <SourceBar />
  <div
    class="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] flex-1 min-h-0 max-[900px]:grid-cols-1 max-[900px]:overflow-y-auto"
  >
    <div class="overflow-y-auto min-h-0 pb-4 max-[900px]:overflow-visible max-[900px]:border-l-0" bind:this={list}>
      <Printed next={() => void next(null)} />
      <FromSheet back={sheet} />
      {#if draft.cls === 'controller'}<PinTableIn />{/if}
      {#if draft.cls === 'carrier'}<CarrierNames />{/if}
      {#each groups as { id, questions } (id)}
        <h3 class="eyebrow mt-2.5 mb-0.5 mx-3 font-medium">{say(groupTitle(id))}</h3>
        {#each questions as question (keyOfQuestion(question))}
          <QuestionRow {question} next={(after) => void next(after)} />
        {/each}
      {/each}
      <div class="py-1.5 px-3">
        <label
          >pieces in the drawer <input
            class="field value w-[4em]"
            inputmode="numeric"
            aria-label="pieces in the drawer"
            value={desk.stock}
            onchange={(event) => {
              const pieces = Number(event.currentTarget.value);
              if (Number.isInteger(pieces) && pieces >= 0) desk.setStock(pieces);
            }}
          /></label
        >
      </div>
    </div>
    <div
      class="right flex flex-col min-h-0 overflow-y-auto border-l max-[900px]:overflow-visible max-[900px]:border-l-0 max-[900px]:-order-1"
    >
      <PartDrawing />
      <PhotoBeside />
      {#if desk.question}<div class="py-2 px-3 max-[900px]:hidden"><InHand question={desk.question} /></div>{/if}
      {#if !desk.card}
        <div class="py-2 px-3 border-t" data-lacks>
          {#if desk.lacking.lacks.length > 0}
            <p class="m-0"><strong>A card cannot be without</strong></p>
            <ul class="flex flex-wrap">
              {#each desk.lacking.lacks as lack (lack.place)}
                <li>
                  <Button kind="bare" onclick={() => void goTo(lack.question)}>{say(lack.title)}</Button>
                </li>
              {/each}
            </ul>
          {/if}
          {#if desk.unread.length > 0}
            <p class="m-0"><strong>What was typed cannot be read</strong></p>
            <ul class="flex flex-wrap">
              {#each desk.unread as question (keyOfQuestion(question))}
                <li>
                  <Button kind="bare" onclick={() => void goTo(question)}>{desk.title(question)}</Button>
                </li>
              {/each}
            </ul>
          {/if}
          {#each desk.lacking.others as other (`${other.place} ${say(other.says)}`)}
            <p class="m-0 text-danger">
              {#if other.question}{desk.title(other.question)}{:else}<span class="value">{other.place}</span>{/if}: {say(
                other.says,
              )}
            </p>
          {/each}
        </div>
      {/if}
      <AloneBench />
    </div>
  </div>
{/if}
