<!-- From the worst to the usual runtime of one choice, against what is wanted. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import { formatSpan } from '@idle-breadboard/core/words';
  import { scaleLinear } from 'd3';

  let { usual, worst, wanted, longest }: { usual: number; worst: number; wanted: number | undefined; longest: number } =
    $props();
  let width = $state(240);
  const x = $derived(scaleLinear([0, longest || 1], [1, Math.max(40, width - 4)]));
</script>

<div class="flex-[1_1_120px] min-w-22.5" {@attach sized((w) => (width = w))}>
  <svg
    viewBox="0 0 {width} 16"
    {width}
    height="16"
    role="img"
    aria-label="{formatSpan(worst)} to {formatSpan(usual)}{wanted ? `, ${formatSpan(wanted)} wanted` : ''}"
  >
    <path d="M1 8H{width}" stroke="var(--line)" />
    <path d="M1 8H{x(worst)}" stroke="var(--copper)" stroke-width="6" />
    <path d="M{x(worst)} 8H{x(usual)}" stroke="var(--copper)" stroke-width="6" stroke-opacity="0.4" />
    {#if wanted !== undefined}<path d="M{x(wanted)} 0V16" stroke="var(--ink)" stroke-width="1.6" />{/if}
  </svg>
</div>
