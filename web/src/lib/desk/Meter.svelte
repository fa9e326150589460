<!-- A guided measurement: how it is done, the reading, and what it says. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { Measurement } from '@idle-breadboard/core/workshop';
  import { say } from '@idle-breadboard/core/words';
  import QuantityField from '../kit/QuantityField.svelte';
  import { desk } from '../state/desk.svelte';

  let { measurement }: { measurement: Measurement } = $props();
  let said = $state('');
  const names = { Ω: 'ohmmeter', A: 'milliammeter', V: 'voltmeter' };
</script>

<div class="meter">
  <p class="m-0"><span class="face" aria-hidden="true">{measurement.unit}</span>{say(measurement.how)}</p>
  <p class="m-0">
    The {names[measurement.unit]} shows <QuantityField
      value={null}
      unit={measurement.unit}
      label="reading, {say(measurement.by)}"
      check={(value) => (value >= 0 ? null : `at least ${formatQuantity(0, measurement.unit)}`)}
      change={(value) => {
        said = say(measurement.take(value).says);
        desk.measured(measurement, value);
      }}
    />
  </p>
  {#if said}<p class="m-0" role="status">{said}</p>{/if}
</div>

<style>
  .meter {
    padding: 4px 8px;
    border: 1px solid var(--line);
    background: var(--board);
  }
  .face {
    display: inline-grid;
    place-content: center;
    width: 20px;
    height: 20px;
    margin-right: 6px;
    border: 1.5px solid var(--ink);
    border-radius: 50%;
    font-family: var(--font-mono);
    font-size: 0.85rem;
  }
</style>
