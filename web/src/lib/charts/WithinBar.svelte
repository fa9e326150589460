<!-- What was expected as a band, and where the measured value lies. -->
<script lang="ts">
  import { scaleLinear, scaleSymlog } from 'd3';
  import type { Expected } from '@idle-breadboard/core/deliver';

  let { expected, value, label }: { expected: Expected; value: number | null; label: string } = $props();
  const WIDE = 160;
  const low = $derived(expected.min ?? 0);
  const high = $derived(expected.max ?? Math.max(low * 100, 1));
  // Resistances run over decades, everything else is even.
  const x = $derived.by(() => {
    const room = Math.max((high - low) * 1.2, Math.abs(high) * 0.25, 1e-12);
    return expected.unit === 'Ω'
      ? scaleSymlog([0, Math.max(high * 30, 1e6)], [2, WIDE - 2])
          .constant(10)
          .clamp(true)
      : scaleLinear([low - room, high + room], [2, WIDE - 2]).clamp(true);
  });
  const inside = $derived(
    value === null || (value >= (expected.min ?? -Infinity) && value <= (expected.max ?? Infinity)),
  );
</script>

<svg class="flex-none" viewBox="0 0 {WIDE} 18" width={WIDE} height="18" role="img" aria-label={label}>
  <path d="M1 9H{WIDE - 1}" stroke="var(--line)" />
  <path
    d="M{x(low)} 9H{Math.max(x(low) + 2, expected.max === null ? WIDE - 2 : x(high))}"
    stroke="var(--copper)"
    stroke-width="6"
    stroke-opacity=".4"
  />
  <path d="M{x(low)} 4V14" stroke="var(--ink)" />
  {#if expected.max !== null}<path d="M{x(high)} 4V14" stroke="var(--ink)" />{/if}
  {#if value !== null}
    {@const at = x(Number.isFinite(value) ? value : 1e9)}
    {#if inside}<circle cx={at} cy="9" r="4" fill="var(--pass)" />{:else}<path
        d="M{at - 5} 4l10 10m0-10l-10 10"
        stroke="var(--danger)"
        stroke-width="2.4"
      />{/if}
  {/if}
</svg>
