<!-- One round of readings on a bus, part by part, and what it is of the time between two. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { BusShare } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import ChartFrame from './ChartFrame.svelte';
  import { timeChart } from './bus-time';

  let { label, shares, interval }: { label: string; shares: readonly BusShare[]; interval: number } = $props();
  let width = $state(300);
  const chart = $derived(timeChart(shares, interval, Math.max(60, width - 2)));
  const S = (x: number) => formatQuantity(x, 's', 3);
</script>

<ChartFrame
  caption="One round of {label}, {S(interval)} between readings"
  heads={['part', 'on the bus', 'converting']}
  rows={[
    ...shares.map((s) => [
      say(s.label),
      s.bytes === null ? 'not stated' : S(s.transfer),
      s.conversion > 0 ? S(s.conversion) : 'none',
    ]),
    ['together', S(chart.total), ''],
  ]}
  bind:width
>
  <svg
    class="block basis-full"
    viewBox="0 0 {width} 40"
    {width}
    height="40"
    role="img"
    aria-label="One round of {label} takes {S(chart.total)} of {S(interval)}"
  >
    <rect x="1" y="1" width={chart.width} height="7" class="fill-none stroke-line" />
    <rect x="1" y="1" width={Math.max(2, chart.share)} height="7" class={chart.over ? 'over' : 'round'} />
    <path d="M1 8L1 14M{Math.max(2, chart.share)} 8L{chart.width} 14" stroke="var(--line)" />
    {#each chart.blocks as block, i (block.label + i)}
      <rect
        x={1 + block.x}
        y="14"
        width={Math.max(1, block.width - 1)}
        height="12"
        class="fill-copper [fill-opacity:30%]"
      />
      <rect x={1 + block.x} y="14" width={Math.max(0.5, block.transfer)} height="12" class="transfer" />
      {#if block.width > 44}<text class="text-mark font-mono fill-quiet" x={3 + block.x} y="37"
          >{block.label.slice(0, Math.floor(block.width / 6))}</text
        >{/if}
    {/each}
  </svg>
</ChartFrame>

<style>
  .round,
  .transfer {
    fill: var(--copper);
  }
  .over {
    fill: var(--fault);
  }
</style>
