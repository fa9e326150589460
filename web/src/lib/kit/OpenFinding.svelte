<!-- A finding or proof at its row: the sentence, every remedy with its effect, the sum, what it rests on. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { Result } from '@idle-breadboard/core/verify';
  import { say, ruleOf } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import { onDestroy, tick } from 'svelte';
  import Button from './Button.svelte';
  import Glyph from './Glyph.svelte';
  import Quantity from './Quantity.svelte';
  import { previewing } from '../state/previewing.svelte';
  import { remedying } from '../state/remedying.svelte';
  import { stationName } from '../state/view-ids';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { effectOf } from './effect-of';

  let { result }: { result: Result } = $props();
  onDestroy(() => previewing.hide());
  const rule = $derived(ruleOf(result.check));
  let panel = $state<HTMLElement>();
  /** The asking that was answered with the focus. */
  let given = 0;
  let remedies = $state<HTMLElement>();

  /** Whole where it fits, else from its beginning. */
  function bringIntoSight() {
    const room = panel?.closest('main')?.clientHeight ?? 0;
    panel?.scrollIntoView({ block: panel.clientHeight > room * 0.8 ? 'start' : 'nearest' });
  }
  /** What was asked for by a key has the focus as long as nobody took it elsewhere. */
  const holds = () => document.activeElement === document.body || panel?.contains(document.activeElement) === true;
  const firstRemedy = () => remedies?.querySelector<HTMLElement>('[data-remedy="0"]:enabled');
  $effect(() => {
    // Also when a remedy was taken and it is met now: the button that had the focus is gone.
    void result;
    void view.focusAsked;
    void tick().then(() => {
      if (!panel?.isConnected) return;
      bringIntoSight();
      const isNew = view.focusAsked !== given;
      given = view.focusAsked;
      if (given > 0 && (isNew || holds())) (firstRemedy() ?? panel).focus({ preventScroll: true });
    });
  });
  $effect(() => {
    const first = firstRemedy();
    if (remedying.remedies.length === 0 || !first) return;
    bringIntoSight();
    if (view.focusAsked > 0 && holds()) first.focus({ preventScroll: true });
  });

  function source(r: Result['rests'][number]): string {
    const { kind, title, revision, page } = r.source;
    return [kind, title, revision && `rev. ${revision}`, page && `page ${page}`].filter(Boolean).join(', ');
  }
</script>

<section
  class="@container scroll-mt-[calc(var(--heads,0px)+6px)] scroll-mb-1 basis-full min-w-0 my-1 border border-copper rounded-sm bg-raised px-3 pt-1.5 pb-2 font-normal text-row text-ink outline-none"
  aria-label="the current finding"
  data-detail={result.key}
  tabindex="-1"
  bind:this={panel}
>
  <div class="flex items-start gap-2">
    <p class="grow mb-1 text-group font-semibold"><Glyph severity={result.severity} /> {say(result.message)}</p>
    <Button kind="bare" aria-label="close the finding" title="Esc" onclick={() => view.back()}><X size={15} /></Button>
  </div>
  <div class="grid grid-cols-1 gap-x-7 @min-[720px]:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
    <div class="min-w-0">
      {#if remedying.remedies.length > 0}
        <ol class="mb-1.5" aria-label="remedies" bind:this={remedies}>
          {#each remedying.remedies as remedy, i (remedy.id)}
            <li class="grid grid-cols-[1.2em_minmax(0,1fr)] items-baseline gap-x-1.5 py-0.5">
              <kbd class="value text-aside text-quiet">{i < 9 ? i + 1 : ''}</kbd>
              <span class="flex flex-wrap items-center gap-x-2.5 gap-y-0.5"
                ><Button
                  kind="sentence"
                  data-remedy={i}
                  onfocus={() => void previewing.show(remedy.plan)}
                  onblur={() => previewing.hide()}
                  onpointerenter={() => void previewing.show(remedy.plan)}
                  onpointerleave={() => previewing.hide()}
                  disabled={workbench.late}
                  onclick={() => remedying.take(remedy)}>{say(remedy.title)}</Button
                ><span class="text-quiet text-aside">{effectOf(remedy)}</span></span
              >
            </li>
          {/each}
        </ol>
      {:else if remedying.wanted === result.key && remedying.working}
        <p class="text-quiet mb-1">Trying every single change that might end this…</p>
      {:else if remedying.wanted === result.key}
        <p class="text-quiet mb-1">
          {remedying.tried > 0
            ? `None of ${remedying.tried} single changes that were tried ends`
            : 'No single change is known that ends'} this alone without bringing a danger or fault. Mend all looks for several
          together; or change the row.
        </p>
      {/if}
      {#if result.severity !== null && result.meaning}<p class="text-quiet mb-1">{say(result.meaning)}</p>{/if}
      {#if view.station !== result.station}
        <Button class="my-1" onclick={() => view.goToRow(result)}>the row at {stationName(result.station)}</Button>
      {/if}
    </div>
    <!-- A long sum is read in its place; the keyboard gets there, too. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div
      class="min-w-0 @min-[720px]:max-h-[46vh] overflow-y-auto"
      role="region"
      aria-label="the sum and what it rests on"
      tabindex="0"
    >
      {#if result.workings.length > 0}
        <table class="w-full mb-1.5 [&_td]:border-t [&_td]:border-dotted [&_th]:border-t [&_th]:border-dotted">
          <caption class="sr-only">The sum</caption>
          <tbody>
            {#each result.workings as step, i (i)}
              <tr>
                <th class="font-normal text-left py-px pr-2.5 align-top" scope="row">{say(step.name)}</th>
                <td class="value py-px pr-2.5 align-top whitespace-normal wrap-anywhere text-quiet">{say(step.sum)}</td>
                <td class="py-px align-top text-right"
                  >{#if step.value !== undefined}<Quantity
                      value={step.value}
                      unit={step.unit ?? ''}
                      digits={4}
                    />{/if}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
      <p class="text-quiet text-aside">
        {rule.title}. {rule.rule}
        <em>Source:</em>
        {rule.source}.
        {#if result.rests.length > 0}<br /><em>Rests on</em>
          {[...new Set(result.rests.map(source))].join('; ')}.{/if}
        {#if result.margin !== null && result.unit}<span class="sr-only"
            >Margin {formatQuantity(result.margin, result.unit)}</span
          >{/if}
      </p>
    </div>
  </div>
</section>
