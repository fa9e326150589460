<!-- One value over the days, with the straight line through it. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import { counted } from '@idle-breadboard/core/words';
  import type { Trend } from '@idle-breadboard/core/deliver';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { extent, line, scaleLinear } from 'd3';

  let { trend, unit }: { trend: Trend; unit: string } = $props();
  const HIGH = 70;
  let width = $state(360);
  const finite = $derived(trend.points.filter(({ value }) => Number.isFinite(value)));
  const [low = 0, high = 1] = $derived(extent(finite, ({ value }) => value));
  const last = $derived(finite.at(-1)?.time ?? 1);
  const x = $derived(scaleLinear([0, Math.max(1, last)], [6, Math.max(40, width - 6)]));
  const y = $derived(
    scaleLinear(
      [low - (high - low || Math.abs(low) * 0.1 || 1) * 0.15, high + (high - low || Math.abs(high) * 0.1 || 1) * 0.15],
      [HIGH - 6, 6],
    ),
  );
  const path = $derived(
    line<(typeof finite)[number]>()
      .x(({ time }) => x(time))
      .y(({ value }) => y(value))(finite) ?? '',
  );
  const says = $derived(
    `${counted(finite.length, 'value')} from ${formatQuantity(low, unit, 4)} to ${formatQuantity(high, unit, 4)}${trend.perDay === null ? '' : `; ${formatQuantity(trend.perDay, unit, 3)} a day`}`,
  );
</script>

<div class="w-full" {@attach sized((w) => (width = w))}>
  <svg viewBox="0 0 {width} {HIGH}" {width} height={HIGH} role="img" aria-label={says}>
    <path d={path} fill="none" stroke="var(--copper)" stroke-width="1.6" />
    {#each finite as { time, value }, i (i)}<circle cx={x(time)} cy={y(value)} r="3" fill="var(--copper)" />{/each}
  </svg>
  <p class="unit">{says}</p>
</div>
