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

<label class="sweep">
  <span class="sr-only">{label}</span>
  <input
    type="range"
    {min}
    {max}
    {step}
    value={Math.min(max, Math.max(min, value))}
    aria-label={label}
    aria-valuetext={formatQuantity(value, unit, 3)}
    oninput={(event) => onTry(Number(event.currentTarget.value))}
  />
  <output class="value">{formatQuantity(value, unit, 3)}</output>
</label>

<style>
  .sweep {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    min-height: 24px;
  }
  input {
    width: 7.5em;
    min-height: 24px;
    accent-color: var(--copper);
  }
  output {
    min-width: 4.2em;
  }
</style>
