<!-- What a rail carries usually and at its peak, against what it may. -->
<script lang="ts">
  import { formatQuantity, toInterval, type Rail } from '@idle-breadboard/core';
  import { scaleLinear } from 'd3';

  let { rail, derating }: { rail: Rail; derating: number } = $props();
  const most = $derived(toInterval(rail.offer.limit).min);
  const x = $derived(scaleLinear([0, Math.max(most, rail.peak) * 1.05], [0, 220]));
  const over = $derived(rail.peak > most * derating);
</script>

<svg
  viewBox="0 0 220 16"
  width="220"
  height="16"
  role="img"
  aria-label="usually {formatQuantity(rail.typical, 'A')}, peak {formatQuantity(rail.peak, 'A')}, of {formatQuantity(
    most * derating,
    'A',
  )}"
>
  <rect x="0" y="4" width={x(most)} height="8" fill="none" stroke="var(--line)" />
  <rect x="0" y="4" width={x(rail.peak)} height="8" fill="var(--{over ? 'fault' : 'copper'})" opacity="0.45" />
  <rect x="0" y="4" width={x(rail.typical)} height="8" fill="var(--{over ? 'fault' : 'copper'})" />
  <path d="M{x(most * derating)} 0V16" stroke="var(--ink)" stroke-width="1.8" />
  <path d="M{x(most)} 2V14" stroke="var(--danger)" stroke-width="1.4" />
</svg>
