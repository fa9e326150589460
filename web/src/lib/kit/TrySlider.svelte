<!-- A value swept with a slider: everything in the banks follows, the plan does not until the maker says so. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';

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
</script>

<label class="inline-flex items-center gap-1.5 min-h-6">
  <span class="sr-only">{label}</span>
  <input
    class="w-[7.5em] min-h-6 accent-copper"
    type="range"
    {min}
    {max}
    {step}
    value={Math.min(max, Math.max(min, value))}
    aria-label={label}
    aria-valuetext={formatQuantity(value, unit, 3)}
    oninput={(event) => onTry(Number(event.currentTarget.value))}
  />
  <output class="value min-w-[4.2em]">{formatQuantity(value, unit, 3)}</output>
</label>
