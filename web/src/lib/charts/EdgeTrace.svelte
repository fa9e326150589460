<!-- A line after somebody lets it go: as it rises on the simulated bench, and beside it as it would in a build in order. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import type { ScopeEdge } from '@idle-breadboard/core/bench';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { line, scaleLinear } from 'd3';

  let { seen, sound, label }: { seen: ScopeEdge | null; sound: ScopeEdge | null; label: string } = $props();
  const HIGH = 96;
  /** Room for the voltages at the left. */
  const LEFT = 46;
  let width = $state(360);
  const rest = $derived(seen?.points.length ? seen.rest : (sound?.rest ?? 1));
  const end = $derived(Math.max(1e-9, ...[seen, sound].map((edge) => edge?.points.at(-1)?.time ?? 0)));
  const top = $derived(Math.max(seen?.rest ?? 0, sound?.rest ?? 0, 0.5));
  const x = $derived(scaleLinear([0, end], [LEFT, Math.max(LEFT + 60, width - 4)]));
  const y = $derived(scaleLinear([0, top * 1.08], [HIGH - 16, 4]));
  /** A line stays where it rests once it is there. */
  const shape = (edge: ScopeEdge | null): string => {
    if (!edge) return '';
    const points = edge.points.length > 0 ? edge.points : [{ time: 0, volts: edge.rest }];
    return (
      line<{ time: number; volts: number }>()
        .x(({ time }) => x(time))
        .y(({ volts }) => y(volts))([...points, { time: end, volts: points.at(-1)?.volts ?? 0 }]) ?? ''
    );
  };
  const rise = (edge: ScopeEdge | null) =>
    !edge
      ? 'no such line'
      : edge.seconds === null
        ? `no edge, rests at ${formatQuantity(edge.rest, 'V', 3)}`
        : `${formatQuantity(edge.seconds, 's', 3)} from 30 to 70 % of ${formatQuantity(edge.rest, 'V', 3)}`;
  const says = $derived(`${label}: ${rise(seen)}; in order ${rise(sound)}`);
</script>

<div class="w-full" {@attach sized((w) => (width = w))}>
  <svg viewBox="0 0 {width} {HIGH}" {width} height={HIGH} role="img" aria-label={says}>
    {#each [0.3, 0.7] as share (share)}
      <path d="M{LEFT} {y(share * rest)}H{width - 4}" stroke="var(--line)" stroke-dasharray="3 3" />
      <text class="text-mark font-mono fill-ink" x={LEFT - 4} y={y(share * rest) + 4} text-anchor="end"
        >{formatQuantity(share * rest, 'V', 3)}</text
      >
    {/each}
    <path d={shape(sound)} fill="none" stroke="var(--quiet)" stroke-width="1.4" stroke-dasharray="5 4" />
    <path d={shape(seen)} fill="none" stroke="var(--copper)" stroke-width="2" />
    <text class="text-mark font-mono fill-ink" x={LEFT} y={HIGH - 3}>0</text>
    <text class="text-mark font-mono fill-ink" x={width - 4} y={HIGH - 3} text-anchor="end"
      >{formatQuantity(end, 's', 3)}</text
    >
  </svg>
  <p class="unit">{rise(seen)}; dashed, in order: {rise(sound)}</p>
</div>
