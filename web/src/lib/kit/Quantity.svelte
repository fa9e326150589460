<script lang="ts">
  import { quantityText } from '@idle-breadboard/core/figures';

  let {
    value,
    unit,
    digits = 3,
    signed = false,
  }: { value: number | null; unit: string; digits?: number; signed?: boolean } = $props();
  /** Keeps number and unit together, closer than a full space of the mono face. */
  const NARROW_SPACE = '\u202f';
  const text = $derived(value === null ? null : quantityText(value, unit, digits));
</script>

{#if text}<span class="value"
    >{signed && value !== null && value > 0 ? '+' : ''}{text.number}{#if text.unit}<span class="unit"
        >{NARROW_SPACE}{text.unit}</span
      >{/if}</span
  >{:else}<span class="unit">–</span>{/if}
