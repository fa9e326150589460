<!-- Readings of the build: what each part says, and whether two that lie side by side agree. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { sideBySide, twinsOf } from '@idle-breadboard/core/deliver';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import { readings } from '../state/readings.svelte';
  import ReadingLine from './ReadingLine.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const pairs = $derived(
    twinsOf(readings.all).flatMap(([a, b]) => {
      const [x, y] = [readings.valueOf(a), readings.valueOf(b)];
      // What is wrong by itself is not compared.
      const isOdd = [a, b].some((at) => (readings.doubts(at) ?? []).some(({ id }) => id !== 'outsideNeed'));
      return x === null || y === null || isOdd ? [] : [{ a, b, ...sideBySide(circuit, a, x, b, y) }];
    }),
  );
</script>

{#if readings.all.length > 0}
  <Row head>
    {#snippet choose()}What it reads{/snippet}
    {#snippet prove()}<span class="unit"
        >held against its range, what is wanted, and what such parts read when something is wrong</span
      >{/snippet}
  </Row>
  {#each readings.all as at (at.part + at.quantity)}<ReadingLine {at} />{/each}
  {#if pairs.length > 0}
    <Row>
      {#snippet choose()}<span>If they lie side by side</span>{/snippet}
      {#snippet prove()}
        <div class="w-full">
          {#each pairs as { a, b, difference, allowed, holds } (a.part + b.part + a.quantity)}
            <p class="my-0.5">
              {#if allowed !== null}<Glyph severity={holds ? null : 'caution'} />{/if}
              {say(a.label)} and {say(b.label)}, {a.quantity}: {formatQuantity(Math.abs(difference), a.unit)} apart{allowed ===
              null
                ? '; their cards state no error there'
                : `, ${formatQuantity(allowed, a.unit)} allowed${holds ? '' : ': one of them is off, or they were not at one place long enough'}`}.
            </p>
          {/each}
        </div>
      {/snippet}
    </Row>
  {/if}
{/if}
