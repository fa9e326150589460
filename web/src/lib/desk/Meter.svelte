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

<div class="meter py-1 px-2 border bg-board">
  <p class="m-0">
    <span
      class="inline-grid place-content-center w-5 h-5 mr-1.5 border-[1.5px] border-ink rounded-full font-mono text-aside"
      aria-hidden="true">{measurement.unit}</span
    >{say(measurement.how)}
  </p>
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
