<!-- One figure that was read: take it, mend it, or drop it. -->
<script lang="ts">
  import { formatAddress, wordOf } from '@idle-breadboard/core/figures';
  import { say } from '@idle-breadboard/core/words';
  import { tick } from 'svelte';
  import Check from '@lucide/svelte/icons/check';
  import Pencil from '@lucide/svelte/icons/pencil';
  import X from '@lucide/svelte/icons/x';
  import AddressField from '../kit/AddressField.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import TextField from '../kit/TextField.svelte';
  import FigureMend from './FigureMend.svelte';
  import { reading } from '../state/reading.svelte';
  import type { Figure } from '../state/review-figure';

  let { figure }: { figure: Figure } = $props();
  const title = $derived(
    `${say(wordOf('slot', figure.slot))}${figure.quantity ? `, ${say(wordOf('quantity', figure.quantity.quantity))}` : ''}`,
  );
  const name = $derived(`${title}${figure.conditions ? `, ${figure.conditions}` : ''}`);
  const UNIT_WORDS: Readonly<Record<string, string>> = { share: '× supply', offset: 'V from the supply' };
  const plainUnit = $derived(figure.unit in UNIT_WORDS ? '' : figure.unit);
  const BOUNDS = ['min', 'typ', 'max'] as const;
  const shown = $derived(
    figure.decision === 'open' || figure.mended
      ? BOUNDS.filter((b) => figure[b] !== undefined || figure.mended)
      : BOUNDS.filter((b) => figure[b] !== undefined),
  );
  /** The hand stays where it is: the next figure that waits gets the focus, and its spot is shown. */
  async function decide(to: 'taken' | 'dropped') {
    reading.decide(figure.id, figure.decision === to ? 'open' : to);
    await tick();
    document.querySelector<HTMLElement>('[data-figure].current [data-take]')?.focus();
  }
  const rivals = $derived(figure.decision === 'open' ? reading.rivalsOf(figure) : []);
  /** What has fields of its own. */
  const ASIDE: readonly string[] = ['terminal', 'port.identity', 'port.address', 'body.size'];
  const SHAPES = { sure: '●', likely: '◐', doubtful: '○' };
</script>

<div class="figure {figure.decision}" class:current={reading.current?.id === figure.id} data-figure={figure.slot}>
  <button
    type="button"
    class="title"
    aria-pressed={reading.current?.id === figure.id}
    title="{figure.said}{figure.doubts.length > 0 ? ` (${figure.doubts.map((doubt) => say(doubt)).join('; ')})` : ''}"
    onclick={() => reading.select(figure.id)}
  >
    <span class="sure {figure.sureness}" aria-hidden="true">{SHAPES[figure.sureness]}</span>
    <span class="sr-only">{figure.sureness}:</span>
    <span>{title}</span>
    {#if figure.conditions && figure.slot !== 'port.address'}<span class="unit">{figure.conditions}</span>{/if}
  </button>
  <span class="values">
    {#if figure.slot === 'port.address'}
      <AddressField value={figure.typ ?? null} label={name} change={(typ) => reading.mend(figure.id, { typ })} />
      <TextField
        value={figure.label || 'fixed'}
        label="setting of {formatAddress(figure.typ ?? 0)}"
        width="9em"
        change={(label) => reading.mend(figure.id, { label })}
      />
    {:else if figure.slot === 'terminal'}
      <span class="value">{figure.typ}</span>
      <TextField
        value={figure.label ?? ''}
        label="label of pin {figure.typ}"
        width="6em"
        most={24}
        change={(label) => reading.mend(figure.id, { label })}
      />
    {:else if figure.slot === 'port.identity'}
      <span class="value">0x{(figure.typ ?? 0).toString(16).toUpperCase()}</span>
      <span class="unit"
        >at register <span class="value">0x{(figure.register ?? 0).toString(16).toUpperCase()}</span>, {figure.bits} bits</span
      >
    {:else if figure.size}
      <span class="value">{figure.size.map((m) => Number((m * 1000).toPrecision(4))).join(' × ')} mm</span>
    {:else}
      {#each shown as bound (bound)}
        <span class="bound"
          ><span class="unit">{bound}</span><QuantityField
            value={figure[bound] ?? null}
            unit={plainUnit}
            label="{name}, {bound}"
            width="5em"
            change={(value) => reading.mend(figure.id, { [bound]: value })}
          /></span
        >
      {/each}
      {#if UNIT_WORDS[figure.unit]}<span class="unit">{UNIT_WORDS[figure.unit]}</span>{/if}
      {#if figure.slot === 'measure.accuracy' && figure.mended}
        {#each ['from', 'to'] as const as end (end)}
          <span class="bound"
            ><span class="unit">{end}</span><QuantityField
              value={figure.over?.[end] ?? null}
              unit={plainUnit}
              label="{name}, {end}"
              width="4.6em"
              change={(value) =>
                reading.mend(figure.id, { over: { from: value, to: value, ...figure.over, [end]: value } })}
            /></span
          >
        {/each}
      {:else if figure.over && !figure.conditions}<span class="unit">from {figure.over.from} to {figure.over.to}</span
        >{/if}
      {#if figure.ofReading !== undefined}<span class="unit">and {figure.ofReading * 100} % of the reading</span>{/if}
      {#if !figure.mended}<button
          type="button"
          class="act bare"
          aria-label="mend {name}"
          title="mend: say what it should be"
          onclick={() => reading.startMending(figure.id)}><Pencil size={12} /></button
        >{/if}
    {/if}
  </span>
  <span class="unit page">{reading.kind === 'pdf' && figure.said !== 'entered by hand' ? `p. ${figure.page}` : ''}</span
  >
  <span class="acts">
    <button
      type="button"
      class="act"
      data-take
      aria-pressed={figure.decision === 'taken'}
      aria-label="take {name}"
      onclick={() => decide('taken')}><Check size={13} />{figure.decision === 'taken' ? 'taken' : 'take'}</button
    >
    <button
      type="button"
      class="act bare"
      aria-pressed={figure.decision === 'dropped'}
      aria-label="drop {name}"
      onclick={() => decide('dropped')}><X size={13} /></button
    >
  </span>
  {#if figure.mended && !ASIDE.includes(figure.slot)}<FigureMend {figure} {name} />{/if}
  {#each rivals as rival (rival.id)}
    <span class="doubt"
      >against <span class="value">{rival.said}</span>
      <button
        type="button"
        class="act bare"
        aria-label="show what stands against {name}"
        onclick={() => reading.select(rival.id)}>{reading.kind === 'pdf' ? `p. ${rival.page}` : 'show it'}</button
      ></span
    >
  {/each}
  {#if figure.doubts.length > 0 && figure.decision === 'open'}<span class="doubt"
      >{figure.doubts.map((doubt) => say(doubt)).join('; ')}</span
    >{/if}
</div>

<style>
  .figure {
    display: grid;
    grid-template-columns: minmax(7.5em, 1fr) auto 2.4em auto;
    gap: 0 6px;
    align-items: center;
    min-height: var(--row);
    padding: 1px 12px;
    border-bottom: 1px solid var(--line);
  }
  .current {
    background: var(--copper-soft);
    box-shadow: inset 4px 0 var(--copper);
  }
  .title {
    display: flex;
    flex-wrap: wrap;
    gap: 0 6px;
    border: 0;
    background: transparent;
    color: var(--ink);
    font: inherit;
    text-align: left;
    padding: 2px 0;
    min-height: 24px;
    align-items: center;
  }
  .dropped .title {
    text-decoration: line-through;
    color: var(--quiet);
  }
  .sure {
    color: var(--pass);
  }
  .likely {
    color: var(--caution);
  }
  .doubtful {
    color: var(--fault);
  }
  .values,
  .acts {
    display: inline-flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 6px;
  }
  .bound {
    display: inline-flex;
    align-items: baseline;
    gap: 3px;
  }
  .taken .act[aria-pressed='true'] {
    background: var(--copper);
    color: var(--board);
  }
  .page {
    text-align: right;
  }
  .doubt {
    grid-column: 1 / -1;
    color: var(--caution);
    padding-left: 20px;
  }
  @media (max-width: 759px) {
    .figure {
      grid-template-columns: minmax(0, 1fr) auto;
    }
  }
</style>
