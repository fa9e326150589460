<!-- The sum behind a figure, beside it while it is pointed at or has the focus. Escape puts it away. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import type { Result } from '@idle-breadboard/core/verify';
  import { autoUpdate, computePosition, flip, offset, shift, size } from '@floating-ui/dom';
  import Quantity from '../kit/Quantity.svelte';
  import { groundsWords } from '../kit/words';
  import { findings, passes } from '../state/results';
  import { workbench } from '../state/workbench.svelte';

  let { tried }: { tried: () => readonly Result[] } = $props();
  let anchor = $state.raw<HTMLElement | null>(null);
  let panel = $state<HTMLElement>();
  let waiting: ReturnType<typeof setTimeout> | undefined;
  const ID = 'workings';
  /** A pointer that only passes over asks for nothing, ms. */
  const DELAY = 250;

  const result = $derived.by<Result | null>(() => {
    const key = anchor?.dataset.proof;
    const verdict = workbench.study?.verdict;
    if (!key || !verdict) return null;
    const has = (r: Result) => r.key === key;
    return tried().find(has) ?? findings().find(has) ?? passes().find(has) ?? null;
  });

  const target = (event: Event): HTMLElement | null =>
    event.target instanceof Element ? event.target.closest<HTMLElement>('[data-proof]') : null;

  function show(element: HTMLElement | null, delay: number) {
    clearTimeout(waiting);
    if (element === anchor) return;
    waiting = setTimeout(() => (anchor = element), delay);
  }

  function over(event: PointerEvent) {
    if (event.pointerType === 'touch') return;
    if (panel && event.target instanceof Node && panel.contains(event.target)) clearTimeout(waiting);
    else show(target(event), DELAY);
  }

  $effect(() => {
    if (!anchor || !panel) return;
    const [reference, floating] = [anchor, panel];
    reference.setAttribute('aria-describedby', ID);
    const stop = autoUpdate(reference, floating, () => {
      void computePosition(reference, floating, {
        placement: 'bottom-start',
        strategy: 'fixed',
        middleware: [
          offset(4),
          flip(),
          shift({ padding: 8 }),
          size({
            apply: ({ availableHeight }) => void (floating.style.maxHeight = `${Math.max(80, availableHeight - 8)}px`),
          }),
        ],
      }).then(({ x, y }) => Object.assign(floating.style, { left: `${x}px`, top: `${y}px` }));
    });
    return () => {
      stop();
      reference.removeAttribute('aria-describedby');
    };
  });
</script>

<svelte:document
  onpointerover={over}
  onfocusin={(event) => show(target(event)?.matches(':focus-visible') ? target(event) : null, 0)}
  onfocusout={() => show(null, 0)}
  onkeydown={(event) => {
    if (event.key === 'Escape' && anchor) {
      anchor = null;
      event.preventDefault();
    }
  }}
  onclick={() => show(null, 0)}
/>

{#if result && result.workings.length > 0}
  <div
    class="fixed left-0 top-0 z-30 max-w-[min(600px,calc(100vw_-_16px))] overflow-y-auto bg-raised border border-copper rounded-sm py-1.5 px-2.5 print:hidden"
    id={ID}
    role="tooltip"
    bind:this={panel}
  >
    <p class="mb-1">{say(result.message)}</p>
    <table class="w-full">
      <tbody>
        {#each result.workings as step, i (i)}
          <tr
            ><th class="font-normal text-left align-top py-px pr-2.5 border-t border-dotted" scope="row"
              >{say(step.name)}</th
            ><td
              class="value font-normal text-left align-top py-px pr-2.5 pl-0 border-t border-dotted border-t-line text-quiet whitespace-normal wrap-anywhere"
              >{say(step.sum)}</td
            ><td class="figure font-normal align-top py-px pr-2.5 border-t border-dotted text-right whitespace-nowrap"
              >{#if step.value !== undefined}<Quantity value={step.value} unit={step.unit ?? ''} digits={4} />{/if}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    {#if result.rests.length > 0}
      <p class="unit mb-1">
        rests on {groundsWords(result.evidence)}: {[
          ...new Set(result.rests.map(({ source }) => source.title + (source.page ? `, page ${source.page}` : ''))),
        ]
          .slice(0, 2)
          .join('; ')}
      </p>
    {/if}
  </div>
{/if}
