<!-- How the line comes up after it is let go: usual, slowest, and the time that it may take between the thresholds. -->
<script lang="ts">
  import type { Edge } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import ChartFrame from './ChartFrame.svelte';
  import { edgeChart } from './edge-view';

  interface Props {
    label: string;
    usual: Edge;
    slowest: Edge;
    falling: Edge | null;
    allowed: number;
  }
  let { label, usual, slowest, falling, allowed }: Props = $props();
  let width = $state(300);
  const chart = $derived(edgeChart({ usual, slowest, falling, allowed, width }));
  const S = (x: number | null) => (x === null ? 'never' : formatQuantity(x, 's', 3));
  const id = $props.id();
</script>

<ChartFrame
  caption="Edge of {label}"
  heads={['edge', '30 to 70 %', 'rests at']}
  rows={[
    ['usual', S(usual.seconds), formatQuantity(usual.rest, 'V', 3)],
    ['slowest', S(slowest.seconds), formatQuantity(slowest.rest, 'V', 3)],
    ...(falling ? [['falling', S(falling.seconds), formatQuantity(falling.rest, 'V', 3)]] : []),
    ['allowed', S(allowed), ''],
  ]}
  bind:width
>
  <svg
    class="block basis-full"
    viewBox="0 0 {width} {chart.height}"
    {width}
    height={chart.height}
    role="img"
    aria-label="{label}: rises from 30 to 70 % in {S(usual.seconds)} as usual, {S(slowest.seconds)} at worst, {S(
      allowed,
    )} allowed"
  >
    <defs><clipPath id="{id}-clip"><rect x="34" y="0" width={Math.max(0, width - 34)} height="90" /></clipPath></defs>
    {#if chart.allowed}
      <rect
        x={chart.allowed.from}
        y="6"
        width={Math.max(0, Math.min(width - 8, chart.allowed.to) - chart.allowed.from)}
        height="84"
        class="fill-pass [fill-opacity:14%] data-missed:fill-fault"
        data-missed={!chart.allowed.met || undefined}
      />
    {/if}
    {#each chart.levels as level (level.text)}
      <path d="M34 {level.y}H{width - 8}" stroke="var(--quiet)" stroke-dasharray="2 3" />
      <text class="text-mark font-mono fill-quiet" x="30" y={level.y + 3} text-anchor="end">{level.text}</text>
    {/each}
    <g clip-path="url(#{id}-clip)">
      {#each chart.curves as curve (curve.kind)}<path d={curve.path} class={curve.kind} />{/each}
    </g>
    {#if chart.allowed && chart.allowed.to < width}
      <path d="M{chart.allowed.to} 4V90" stroke="var(--ink)" stroke-width="1.5" />
    {/if}
    <path d="M34 90.5H{width - 8}" stroke="var(--line)" />
    {#each chart.timeTicks as tick, i (i)}
      <path d="M{tick.x} 90V94" stroke="var(--quiet)" /><text
        class="text-mark font-mono fill-quiet"
        x={tick.x}
        y="104"
        text-anchor="middle">{formatQuantity(tick.seconds, 's', 2)}</text
      >
    {/each}
  </svg>
  <p class="unit flex flex-wrap items-center gap-x-1.5 text-aside" aria-hidden="true">
    <span class="mark inline-block w-4.5 border-t-2 border-t-copper ml-2"></span>usual {S(usual.seconds)}
    <span class="mark inline-block w-4.5 ml-2 border-t-3 border-t-ink"></span>slowest {S(slowest.seconds)}
    {#if falling}<span class="mark inline-block w-4.5 ml-2 border-t-2 border-dashed border-t-quiet"></span>falls in {S(
        falling.seconds,
      )}{/if}
  </p>
</ChartFrame>

<style>
  path.usual,
  path.slowest,
  path.falling {
    fill: none;
    stroke: var(--copper);
    stroke-width: 1.6;
  }
  path.slowest {
    stroke: var(--ink);
    stroke-width: 2.4;
  }
  path.falling {
    stroke: var(--quiet);
    stroke-dasharray: 4 3;
  }
</style>
