<!-- The voltage of the cells over the time that the build runs: between the worst and the usual lies where it may turn out. -->
<script lang="ts">
  import type { Runtime } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { formatSpan } from '@idle-breadboard/core/words';
  import ChartFrame from './ChartFrame.svelte';
  import { runtimeCurve } from './runtime-curve';

  let { label, runtime, wanted }: { label: string; runtime: Runtime; wanted: number | undefined } = $props();
  const HEIGHT = 132;
  let width = $state(420);
  const curve = $derived(runtimeCurve(runtime, wanted, width, HEIGHT));
  const V = (x: number) => formatQuantity(x, 'V');
  const rows = $derived(
    [0, 0.25, 0.5, 0.75, 1].map((share) => {
      const at = (of: 'usual' | 'worst') => {
        const { points } = runtime[of];
        const point = points[Math.round((points.length - 1) * share)];
        return point ? `${V(point.volts)} after ${formatSpan(point.t)}` : '';
      };
      return [`${share * 100} % of what is used`, at('usual'), at('worst')];
    }),
  );
</script>

<ChartFrame caption="Voltage of {label} over time" heads={['when', 'usual', 'worst']} {rows} bind:width>
  <svg
    viewBox="0 0 {width} {HEIGHT}"
    {width}
    height={HEIGHT}
    role="img"
    aria-label="{label} lasts {formatSpan(runtime.usual.seconds)} usually and {formatSpan(
      runtime.worst.seconds,
    )} at the worst{wanted ? `; ${formatSpan(wanted)} are wanted` : ''}"
  >
    {#each curve.yTicks as tick (tick.at)}<path class="stroke-line stroke-[0.7]" d="M30 {tick.at}H{width}" /><text
        class="text-mark font-mono fill-quiet"
        x="27"
        y={tick.at + 3}
        text-anchor="end">{tick.label}</text
      >{/each}
    {#each curve.xTicks as tick (tick.at)}<text
        class="text-mark font-mono fill-quiet"
        x={tick.at}
        y={HEIGHT - 4}
        text-anchor="middle">{tick.label}</text
      >{/each}
    <text class="text-mark font-mono fill-quiet" x="2" y={HEIGHT - 4}>{curve.unit}</text>
    <path d={curve.band} class="fill-copper [fill-opacity:18%]" />
    <path d={curve.usual} class="fill-none stroke-copper stroke-[1.8]" />
    <path d={curve.worst} class="fill-none stroke-copper stroke-[1.3] [stroke-dasharray:4_3]" />
    <path d="M30 {curve.least}H{width}" class="stroke-danger stroke-1 [stroke-dasharray:1_3]" />
    <text class="text-mark font-mono fill-quiet" x="34" y={curve.least - 3}>stops at {V(curve.leastVolts)}</text>
    {#if curve.wanted !== null}
      <path d="M{curve.wanted} 4V{HEIGHT - 16}" class="stroke-ink stroke-[1.6]" />
      <text
        class="text-mark font-mono fill-ink"
        x={curve.wanted + (curve.wanted > width * 0.7 ? -4 : 4)}
        y="12"
        text-anchor={curve.wanted > width * 0.7 ? 'end' : 'start'}>wanted</text
      >
    {/if}
    <circle cx={curve.ends.usual.x} cy={curve.ends.usual.y} r="3.2" class="fill-copper" />
    <path d="M{curve.ends.worst.x - 3.5} {curve.ends.worst.y - 3.5}l7 7m0 -7l-7 7" class="stroke-copper stroke-[1.8]" />
  </svg>
</ChartFrame>
