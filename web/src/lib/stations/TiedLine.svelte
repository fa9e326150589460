<!-- A line that is tied to a rail or to ground in place of a pin: what it is tied to, and back. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { Circuit, Net } from '@idle-breadboard/core/circuit';
  import { setPin } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import { workbench } from '../state/workbench.svelte';
  import PinlessLine from './PinlessLine.svelte';

  let { circuit, net }: { circuit: Circuit; net: Net } = $props();
  const to = $derived(net.tied === 'ground' ? 'ground' : (circuit.rails.get(net.tied ?? '')?.label ?? net.tied));
</script>

<PinlessLine label={say(net.label)}>
  <span class="grow">{say(net.label)} <span class="unit">tied to {say(to)}</span></span>
  <Button
    title="give it a pin"
    aria-label="take {say(net.label)} off {say(to)}"
    onclick={() =>
      workbench.plan &&
      workbench.edit(setPin(workbench.plan, net.of, net.line, { pin: null, locked: false }), `free ${say(net.label)}`)}
    ><X size={13} /></Button
  >
</PinlessLine>
