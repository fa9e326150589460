<!-- One figure that was read: take it, mend it, or drop it. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
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
    document.querySelector<HTMLElement>('[data-figure][data-current] [data-take]')?.focus();
  }
  const rivals = $derived(figure.decision === 'open' ? reading.rivalsOf(figure) : []);
  /** What has fields of its own. */
  const ASIDE: readonly string[] = ['terminal', 'port.identity', 'port.address', 'body.size'];
  const SHAPES = { sure: '●', likely: '◐', doubtful: '○' };
</script>

<div
  class="figure grid grid-cols-[minmax(7.5em,1fr)_auto_2.4em_auto] gap-x-1.5 items-center min-h-row py-px px-3 border-b data-current:bg-copper-soft data-current:shadow-mark max-desk:grid-cols-[minmax(0,1fr)_auto] {figure.decision}"
  data-current={reading.current?.id === figure.id || undefined}
  data-figure={figure.slot}
>
  <button
    type="button"
    class="title flex flex-wrap gap-x-1.5 text-ink text-left py-0.5 min-h-6 items-center"
    aria-pressed={reading.current?.id === figure.id}
    title="{figure.said}{figure.doubts.length > 0 ? ` (${figure.doubts.map((doubt) => say(doubt)).join('; ')})` : ''}"
    onclick={() => reading.select(figure.id)}
  >
    <span class="text-pass {figure.sureness}" aria-hidden="true">{SHAPES[figure.sureness]}</span>
    <span class="sr-only">{figure.sureness}:</span>
    <span>{title}</span>
    {#if figure.conditions && figure.slot !== 'port.address'}<span class="unit">{figure.conditions}</span>{/if}
  </button>
  <span class="values inline-flex flex-wrap items-center gap-x-1.5">
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
        <span class="inline-flex items-baseline gap-1"
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
          <span class="inline-flex items-baseline gap-1"
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
      {#if !figure.mended}<Button
          kind="bare"
          aria-label="mend {name}"
          title="mend: say what it should be"
          onclick={() => reading.startMending(figure.id)}><Pencil size={12} /></Button
        >{/if}
    {/if}
  </span>
  <span class="unit page text-right"
    >{reading.kind === 'pdf' && figure.said !== 'entered by hand' ? `p. ${figure.page}` : ''}</span
  >
  <span class="inline-flex flex-wrap items-center gap-x-1.5">
    <Button
      data-take
      class="aria-pressed:bg-copper aria-pressed:text-board"
      aria-pressed={figure.decision === 'taken'}
      aria-label="take {name}"
      onclick={() => decide('taken')}><Check size={13} />{figure.decision === 'taken' ? 'taken' : 'take'}</Button
    >
    <Button
      kind="bare"
      aria-pressed={figure.decision === 'dropped'}
      aria-label="drop {name}"
      onclick={() => decide('dropped')}><X size={13} /></Button
    >
  </span>
  {#if figure.mended && !ASIDE.includes(figure.slot)}<FigureMend {figure} {name} />{/if}
  {#each rivals as rival (rival.id)}
    <span class="col-span-full text-caution pl-5"
      >against <span class="value">{rival.said}</span>
      <Button kind="bare" aria-label="show what stands against {name}" onclick={() => reading.select(rival.id)}
        >{reading.kind === 'pdf' ? `p. ${rival.page}` : 'show it'}</Button
      ></span
    >
  {/each}
  {#if figure.doubts.length > 0 && figure.decision === 'open'}<span class="col-span-full text-caution pl-5"
      >{figure.doubts.map((doubt) => say(doubt)).join('; ')}</span
    >{/if}
</div>

<style>
  .dropped .title {
    text-decoration: line-through;
    color: var(--quiet);
  }
  .likely {
    color: var(--caution);
  }
  .doubtful {
    color: var(--fault);
  }
</style>
