<!-- The upper rail of bars is what the driver guarantees, the lower what the receiver needs; the hatched end must not be touched. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import { formatQuantity, formatSigned } from '@idle-breadboard/core/figures';
  import type { Result } from '@idle-breadboard/core/verify';
  import { seen } from '../kit/out-of-sight';
  import { ladder, type AbsoluteMaximum } from './volt-ladder';

  let {
    results,
    label,
    absoluteMaximum,
  }: { results: readonly Result[]; label: string; absoluteMaximum?: AbsoluteMaximum | undefined } = $props();
  let width = $state(300);
  const shown = seen(() => ladder(results, width, absoluteMaximum));
  const drawn = $derived(shown());
  const words = $derived(
    drawn
      ? `${label}. ${drawn.gaps.map((g) => `${g.level} margin ${formatSigned(g.margin, 'V')}`).join(', ')}${drawn.absoluteMaximum ? `; at most ${formatQuantity(drawn.absoluteMaximum.peak, 'V')}, absolute maximum ${formatQuantity(drawn.absoluteMaximum.volts, 'V')}` : ''}`
      : '',
  );
  const id = $props.id();
</script>

<div class="w-full h-11.5 [contain:strict]" {@attach sized((w) => (width = w))}>
  {#if drawn}
    <svg class="block" viewBox="0 0 {width} 46" {width} height="46" role="img" aria-label={words}>
      <defs>
        <pattern id="{id}-hatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V5" stroke="var(--danger)" stroke-width="1.6" />
        </pattern>
      </defs>
      {#if drawn.absoluteMaximum}
        <rect
          x={drawn.absoluteMaximum.x}
          y="2"
          width={Math.max(0, width - drawn.absoluteMaximum.x)}
          height="31"
          fill="url(#{id}-hatch)"
          fill-opacity="0.55"
        />
        <path d="M{drawn.absoluteMaximum.x} 1V34" stroke="var(--danger)" stroke-width="1.6" />
      {/if}
      {#each drawn.bars as bar (bar.lane + bar.level)}
        <rect
          x={bar.from}
          y={bar.lane === 'given' ? 4 : 21}
          width={Math.max(2, bar.to - bar.from)}
          height="11"
          fill={bar.lane === 'given' ? 'var(--copper)' : 'none'}
          stroke={bar.lane === 'given' ? 'var(--copper)' : 'var(--quiet)'}
          fill-opacity={bar.level === 'high' ? 0.85 : 0.35}
        />
      {/each}
      {#each drawn.gaps as gap (gap.level)}
        <path
          d="M{gap.from} 18H{gap.to}"
          stroke="var(--{gap.margin < 0 ? 'fault' : 'pass'})"
          stroke-width="3"
          stroke-dasharray={gap.margin < 0 ? '3 2' : undefined}
        />
      {/each}
      {#if drawn.absoluteMaximum}
        <path
          d="M{drawn.absoluteMaximum.peakX - 4} 1h8l-4 6z"
          fill={drawn.absoluteMaximum.broken ? 'var(--danger)' : 'var(--ink)'}
        />
      {/if}
      <path d="M0 34.5H{width}" stroke="var(--line)" />
      {#each drawn.ticks as tick, i (i)}
        <path d="M{tick.x} 34V37" stroke="var(--quiet)" /><text
          class="text-mark font-mono fill-quiet"
          x={tick.x}
          y="45"
          text-anchor={tick.x > width - 12 ? 'end' : 'middle'}>{tick.text}</text
        >
      {/each}
    </svg>
  {/if}
</div>
