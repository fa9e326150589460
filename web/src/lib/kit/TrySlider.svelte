<!-- A value swept with a slider: everything in the banks follows, the plan does not until the maker says so. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { Slider } from 'bits-ui';
  import Quantity from './Quantity.svelte';

  interface Props {
    value: number;
    unit: string;
    label: string;
    min: number;
    max: number;
    step: number;
    onTry: (value: number) => void;
  }
  let { value, unit, label, min, max, step, onTry }: Props = $props();
  /** What is decided may lie beyond what can be swept. */
  const shown = $derived(Math.min(max, Math.max(min, value)));
  const sweep = (to: number) => to !== shown && onTry(to);
</script>

<span class="inline-flex items-center gap-1.5 min-h-6">
  <Slider.Root
    type="single"
    bind:value={() => shown, sweep}
    {min}
    {max}
    {step}
    class="relative inline-flex items-center w-[7.5em] h-6 cursor-pointer touch-none select-none"
  >
    <span class="absolute inset-x-0 border-t-2 border-dotted border-t-quiet"></span>
    <Slider.Range class="absolute border-t-3 border-t-copper forced-colors:border-t-[Highlight]" />
    <!-- The tip of a probe on the line. -->
    <Slider.Thumb
      index={0}
      class="block size-3.5 rounded-full border-2 border-copper bg-raised hover:bg-copper-soft data-active:bg-copper forced-colors:bg-[Highlight]"
      aria-label={label}
      aria-valuetext={formatQuantity(shown, unit, 3)}
    />
  </Slider.Root>
  <output class="min-w-[4.2em]"><Quantity {value} {unit} /></output>
</span>
