<!-- Volts at the pin over what is measured: the wanted range, and where the converter ends. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { TransferPoint } from '@idle-breadboard/core/verify';
  import ChartFrame from './ChartFrame.svelte';
  import { transferChart } from './transfer-curve';

  interface Props {
    label: string;
    unit: string;
    points: readonly TransferPoint[];
    wanted: { from: number; to: number };
    fullScale: number;
    decades: boolean;
  }
  let { label, unit, points, wanted, fullScale, decades }: Props = $props();
  let width = $state(300);
  const chart = $derived(transferChart(points, wanted, fullScale, width, decades));
  const shown = $derived(points.filter((_, i) => points.length < 12 || i % Math.ceil(points.length / 9) === 0));
</script>

<ChartFrame
  caption="Transfer of {label}"
  heads={[unit, 'at the pin', 'counts']}
  rows={shown.map((p) => [formatQuantity(p.at, '', 3), formatQuantity(p.volts, 'V', 3), String(p.counts)])}
  bind:width
>
  {#if chart}
    <svg
      class="block basis-full"
      viewBox="0 0 {width} {chart.height}"
      {width}
      height={chart.height}
      role="img"
      aria-label="{label}: volts at the pin over {unit}, the converter ends at {formatQuantity(fullScale, 'V', 3)}"
    >
      <rect
        x={chart.wanted.from}
        y="6"
        width={Math.max(0, chart.wanted.to - chart.wanted.from)}
        height="94"
        class="fill-copper [fill-opacity:10%]"
      />
      <path d="M{chart.wanted.from} 6V100M{chart.wanted.to} 6V100" class="ends stroke-copper [stroke-dasharray:1_3]" />
      {#each chart.volts as tick, i (i)}
        <path d="M36 {tick.y}H{width - 8}" stroke="var(--line)" /><text
          class="text-mark font-mono fill-quiet"
          x="32"
          y={tick.y + 3}
          text-anchor="end">{tick.text}</text
        >
      {/each}
      <path
        d="M36 {chart.full.y}H{width - 8}"
        class="stroke-ink stroke-[1.2] [stroke-dasharray:5_3] fill-none data-over:stroke-fault data-over:stroke-2"
        data-over={chart.over || undefined}
      />
      <text class="text-mark font-mono fill-quiet" x={width - 10} y={chart.full.y - 3} text-anchor="end"
        >full scale {formatQuantity(chart.full.volts, 'V', 3)}</text
      >
      <path d={chart.path} class="line fill-none stroke-copper stroke-[2.2]" />
      {#each chart.ticks as tick, i (i)}<text
          class="text-mark font-mono fill-quiet"
          x={tick.x}
          y="112"
          text-anchor="middle">{tick.text}</text
        >{/each}
      <text class="text-mark font-mono fill-quiet" x={width - 10} y="96" text-anchor="end">{unit}</text>
    </svg>
  {/if}
</ChartFrame>
