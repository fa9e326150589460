<!-- One part in the course of a round: what it does when, as tall as its current. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import type { Lane } from '@idle-breadboard/core/circuit';
  import { formatQuantity, wordOf } from '@idle-breadboard/core/figures';
  import { say } from '@idle-breadboard/core/words';
  import { blocks, roundAxis } from './round';

  let { lane, lanes, most }: { lane: Lane; lanes: readonly Lane[]; most: number } = $props();
  const HEIGHT = 26;
  let width = $state(300);
  const axis = $derived(roundAxis(lanes, width - 4));
  const drawn = $derived(axis ? blocks(lane, axis, most) : []);
  /** Small currents are still to be seen beside large ones. */
  const tall = (share: number) => Math.max(share > 0 ? 1.5 : 0, Math.sqrt(share) * (HEIGHT - 14));
  /** What follows no clock is drawn at its mean. */
  const share = $derived(
    lane.rhythm.every === null && lane.rhythm.duty < 1
      ? `${Number((lane.rhythm.duty * 100).toPrecision(3))} % of the time, on the average`
      : null,
  );
  const says = $derived(
    drawn
      .map(
        ({ doing, seconds, amps }) =>
          `${say(wordOf('doing', doing))} ${formatQuantity(amps, 'A')} for ${formatQuantity(seconds, 's')}`,
      )
      .join(', '),
  );
</script>

<div class="flex-none w-[var(--round)] min-w-30" {@attach sized((w) => (width = w))}>
  {#if axis}
    <svg viewBox="0 0 {width} {HEIGHT}" {width} height={HEIGHT} role="img" aria-label="{say(lane.label)}: {says}">
      {#each drawn as block, i (i)}
        <rect
          x={block.x}
          y={HEIGHT - 2 - tall(block.tall)}
          width={block.width}
          height={tall(block.tall)}
          class="{block.doing} fill-copper"
          ><title>{say(wordOf('doing', block.doing))}, {formatQuantity(block.amps, 'A')}</title></rect
        >
        {#if block.width > 74}<text
            class="text-mark font-mono fill-ink [paint-order:stroke] stroke-board stroke-[2.5px]"
            x={block.x + 3}
            y="9">{share ?? say(wordOf('doing', block.doing))} {formatQuantity(block.amps, 'A')}</text
          >{/if}
      {/each}
      <path d="M0 {HEIGHT - 1.5}H{width}" class="stroke-line" />
      {#if axis.fold !== null}<path
          class="stroke-quiet"
          d="M{axis.fold - 2} {HEIGHT - 6}l2 6M{axis.fold + 2} {HEIGHT - 6}l2 6"
        />{/if}
    </svg>
  {/if}
</div>

<style>
  .idle,
  .sleep {
    fill-opacity: 45%;
  }
  .warm-up,
  .heating {
    fill: var(--fault);
  }
  .transmitting {
    fill: var(--note);
  }
</style>
