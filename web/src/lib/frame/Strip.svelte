<!-- The strip: counts, the current finding in one sentence with its first remedy, or the next step; at its right end the verdict. -->
<script lang="ts">
  import { counted, say } from '@idle-breadboard/core/words';
  import ChevronLeft from '@lucide/svelte/icons/chevron-left';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import Button from '../kit/Button.svelte';
  import Glyph from '../kit/Glyph.svelte';
  import { mending } from '../state/mending.svelte';
  import { next } from '../state/next.svelte';
  import { remedying } from '../state/remedying.svelte';
  import { STATIONS } from '../state/view-ids';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import FindingList from './FindingList.svelte';
  import VerdictButton from './VerdictButton.svelte';

  const verdict = $derived(workbench.study?.verdict);
  const step = $derived(next.step);
  /** A finding that is open is spoken of; otherwise what is to be done next. */
  const finding = $derived(view.opened ?? (step?.finding ? view.result : null));
  const first = $derived(finding && remedying.wanted === finding.key ? remedying.remedies[0] : undefined);
  const more = $derived(remedying.remedies.length - 1);
  const key = $derived(STATIONS.find(({ id }) => id === step?.station)?.key ?? '');
  let sentence = $state<HTMLElement | null>(null);

  $effect(() => remedying.ask());

  // What was settled is gone from its row: the focus stays in the strip, at what comes next.
  $effect(() => {
    if (view.selected === null || view.opened !== null || workbench.stale || !verdict) return;
    const lost = document.activeElement === document.body || document.activeElement === null;
    view.forget();
    if (lost) sentence?.focus();
  });
</script>

<section
  class="screen-only flex items-center gap-x-2 min-h-8 px-2 border-t border-t-quiet bg-board min-w-0 max-desk:flex-wrap max-desk:gap-y-0.5 max-desk:py-0.5"
  aria-label="strip"
  data-strip
>
  <FindingList />
  {#if finding}
    <button
      type="button"
      class="flex flex-1 items-center gap-1.5 min-w-0 min-h-6 text-left hover:text-copper max-desk:order-last max-desk:basis-full"
      title={say(finding.message)}
      data-sentence
      bind:this={sentence}
      onclick={() => view.select(finding, { focus: true })}
      ><Glyph severity={finding.severity} /><span class="truncate">{say(finding.message)}</span></button
    >
    {#if first && view.opened === null}
      <Button
        class="shrink min-w-0 max-w-[19em] max-[1100px]:max-w-[13em] max-desk:hidden"
        disabled={workbench.late}
        title="Enter: {say(first.title)}"
        data-first-remedy
        onpointerenter={() => workbench.point(first.plan)}
        onfocus={() => workbench.point(first.plan)}
        onclick={() => remedying.take(first)}><span class="truncate">{say(first.title)}</span></Button
      >
      {#if more > 0}<Button kind="bare" class="max-desk:hidden" onclick={() => view.select(finding, { focus: true })}
          >{counted(more, 'more way')}</Button
        >{/if}
    {/if}
  {:else if step}
    <button
      type="button"
      class="flex flex-1 items-center gap-2 min-w-0 min-h-6 text-left hover:text-copper max-desk:order-last max-desk:basis-full"
      data-sentence
      bind:this={sentence}
      onclick={() => view.goTo(step.station)}
      ><span class="text-quiet">next</span><kbd class="value text-copper">{key}</kbd><span class="truncate"
        >{say(step.message)}</span
      ></button
    >
  {:else}<span class="flex-1"></span>{/if}
  {#if view.findings.length > 0}
    <span class="inline-flex flex-none">
      <Button kind="bare" aria-label="the finding before" title="[" onclick={() => view.walk(-1)}
        ><ChevronLeft size={16} /></Button
      ><Button kind="bare" aria-label="the next finding" title="]" onclick={() => view.walk(1)}
        ><ChevronRight size={16} /></Button
      >
    </span>
  {/if}
  {#if verdict?.status === 'open' && verdict.findings.length > 0}
    <Button title="m" class="flex-none max-desk:hidden" disabled={workbench.late} onclick={() => void mending.open()}
      >Mend all</Button
    >
  {/if}
  <VerdictButton />
</section>
