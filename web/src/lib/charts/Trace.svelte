<!-- Lines of a capture over time, each in its lane: the lowest and highest of each stretch. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import { counted } from '@idle-breadboard/core/words';
  import type { CaptureSummary } from '@idle-breadboard/core/bench';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { area, scaleLinear } from 'd3';

  let { summary }: { summary: CaptureSummary } = $props();
  const LANE = 44;
  let width = $state(400);
  const x = $derived(scaleLinear([summary.from, Math.max(summary.to, summary.from + 1e-9)], [0, Math.max(60, width)]));
  const lanes = $derived(
    summary.lines.map((line, i) => {
      const y = scaleLinear(
        [Math.min(0, line.lowest), Math.max(line.supply, line.highest)],
        [(i + 1) * LANE - 6, i * LANE + 12],
      );
      const shape = area<(typeof line.envelope)[number]>()
        .x(({ time }) => x(time))
        .y0(({ least }) => y(least) + 0.6)
        .y1(({ most }) => y(most) - 0.6);
      return { line, y, d: shape(line.envelope) ?? '' };
    }),
  );
  const says = $derived(
    summary.lines
      .map(
        ({ name, low, high, changes }) =>
          `${name}: ${low === null ? 'never low' : formatQuantity(low, 'V', 3)} to ${high === null ? 'never high' : formatQuantity(high, 'V', 3)}, ${counted(changes, 'change')}`,
      )
      .join('; '),
  );
</script>

<div class="w-full" {@attach sized((w) => (width = w))}>
  <svg viewBox="0 0 {width} {LANE * lanes.length}" {width} height={LANE * lanes.length} role="img" aria-label={says}>
    {#each lanes as { line, y, d }, i (line.name)}
      <path
        d="M0 {y(0.3 * line.supply)}H{width}M0 {y(0.7 * line.supply)}H{width}"
        stroke="var(--line)"
        stroke-dasharray="3 3"
      />
      <path {d} fill="var(--copper)" />
      <text class="text-mark font-mono fill-ink" x="2" y={i * LANE + 10}>{line.name}</text>
    {/each}
  </svg>
  <p class="unit">{formatQuantity(summary.to - summary.from, 's', 3)} in all. {says}.</p>
</div>
