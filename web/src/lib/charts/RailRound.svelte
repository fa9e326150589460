<!-- What a rail carries in the course of one round: usually, and the most that comes together, under its limit. -->
<script lang="ts">
  import type { Timeline } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { formatSpan } from '@idle-breadboard/core/words';
  import { scaleLinear } from 'd3';
  import ChartFrame from './ChartFrame.svelte';
  import { roundAxis, stepPath } from './round';

  let { label, line, limit }: { label: string; line: Timeline; limit: number } = $props();
  const HEIGHT = 54;
  let width = $state(400);
  const axis = $derived(roundAxis(line.lanes, width - 4));
  const y = $derived(scaleLinear([0, Math.max(line.worst, line.coincidence, limit) * 1.08], [HEIGHT - 14, 3]));
  const A = (x: number) => formatQuantity(x, 'A');
</script>

<ChartFrame
  caption="One round of {label}"
  heads={['what', 'current']}
  rows={[
    ['average', A(line.average)],
    ['most that comes together as planned', A(line.coincidence)],
    ['most that the schedule can produce', A(line.worst)],
    ['may be drawn', A(limit)],
  ]}
  bind:width
>
  {#if axis}
    <svg
      viewBox="0 0 {width} {HEIGHT}"
      {width}
      height={HEIGHT}
      role="img"
      aria-label="One round of {label}: {A(line.average)} on the average, {A(line.coincidence)} together, {A(
        line.worst,
      )} at the worst, {A(limit)} allowed"
    >
      <path d="{stepPath(line.together, axis, y)}V{y(0)}H0Z" class="fill-copper [fill-opacity:30%]" />
      <path d={stepPath(line.usual, axis, y)} class="fill-none stroke-copper stroke-[1.6]" />
      <path d="M0 {y(line.worst)}H{width}" class="stroke-quiet [stroke-dasharray:2_3]" />
      <path
        d="M0 {y(limit)}H{width}"
        class="stroke-ink stroke-[1.4] data-over:stroke-danger"
        data-over={line.worst > limit || undefined}
      />
      <path d="M0 {y(0)}H{width}" class="stroke-line fill-none" />
      {#if axis.fold !== null}<path
          class="fill-none stroke-quiet"
          d="M{axis.fold - 3} {HEIGHT - 18}l3 8M{axis.fold + 1} {HEIGHT - 18}l3 8"
        />{/if}
      {#each axis.ticks as tick (tick.seconds)}<text
          class="text-mark font-mono fill-quiet"
          x={tick.x}
          y={HEIGHT - 2}
          text-anchor={tick.seconds === 0 ? 'start' : 'middle'}>{formatQuantity(tick.seconds, 's', 2)}</text
        >{/each}
      <text class="text-mark font-mono fill-quiet" x={width - 2} y={HEIGHT - 2} text-anchor="end"
        >{formatSpan(axis.every)}</text
      >
    </svg>
  {:else}<span class="unit"
      >{A(line.average)} on the average, {A(line.worst)} at the worst; nothing on it follows a clock</span
    >{/if}
</ChartFrame>
