<!-- A line that is tied to a rail or to ground in place of a pin: what it is tied to, and back. -->
<script lang="ts">
  import { setPin, type Circuit, type Net } from '@idle-breadboard/core';
  import X from '@lucide/svelte/icons/x';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, net }: { circuit: Circuit; net: Net } = $props();
  const to = $derived(net.tied === 'ground' ? 'ground' : (circuit.rails.get(net.tied ?? '')?.label ?? net.tied));
</script>

<div class="tied" role="group" aria-label={net.label}>
  <span class="label">{net.label} <span class="unit">tied to {to}</span></span>
  <button
    type="button"
    class="act icon"
    title="give it a pin"
    aria-label="take {net.label} off {to}"
    onclick={() =>
      workbench.plan &&
      workbench.edit(setPin(workbench.plan, net.of, net.line, { pin: null, locked: false }), `free ${net.label}`)}
    ><X size={13} /></button
  >
</div>

<style>
  .tied {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: var(--row);
    padding: 1px 12px 1px 26px;
    border-bottom: 1px solid var(--line);
  }
  .label {
    flex: 1;
  }
</style>
