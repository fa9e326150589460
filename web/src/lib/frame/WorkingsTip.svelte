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
  <div class="tip" id={ID} role="tooltip" bind:this={panel}>
    <p>{say(result.message)}</p>
    <table>
      <tbody>
        {#each result.workings as step, i (i)}
          <tr
            ><th scope="row">{say(step.name)}</th><td class="value sum">{say(step.sum)}</td><td class="figure"
              >{#if step.value !== undefined}<Quantity value={step.value} unit={step.unit ?? ''} digits={4} />{/if}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    {#if result.rests.length > 0}
      <p class="unit">
        rests on {groundsWords(result.evidence)}: {[
          ...new Set(result.rests.map(({ source }) => source.title + (source.page ? `, page ${source.page}` : ''))),
        ]
          .slice(0, 2)
          .join('; ')}
      </p>
    {/if}
  </div>
{/if}

<style>
  .tip {
    position: fixed;
    left: 0;
    top: 0;
    z-index: 30;
    max-width: min(600px, calc(100vw - 16px));
    overflow-y: auto;
    background: var(--raised);
    border: 1px solid var(--copper);
    border-radius: 2px;
    padding: 6px 10px;
  }
  p {
    margin: 0 0 4px;
  }
  table {
    border-collapse: collapse;
    width: 100%;
  }
  th,
  td {
    font-weight: 400;
    text-align: left;
    vertical-align: top;
    padding: 1px 10px 1px 0;
    border-top: 1px dotted var(--line);
  }
  .sum {
    color: var(--quiet);
    white-space: normal;
    overflow-wrap: anywhere;
  }
  .figure {
    text-align: right;
    white-space: nowrap;
  }
  @media print {
    .tip {
      display: none;
    }
  }
</style>
