<script lang="ts">
  import Select from '../kit/Select.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { analogLinks } from '@idle-breadboard/core/verify';
  import { counted, say } from '@idle-breadboard/core/words';
  import { offerSweep } from '../kit/out-of-sight';
  import Station from '../kit/Station.svelte';
  import TryBar from '../kit/TryBar.svelte';
  import TrySlider from '../kit/TrySlider.svelte';
  import type { Proofs } from '../state/proofs';
  import { trying } from '../state/trial.svelte';
  import AnalogNet from './AnalogNet.svelte';
  import LevelNet from './LevelNet.svelte';

  let props: { circuit: Circuit; proofs: Proofs } = $props();
  offerSweep(() => trying.active);
  const circuit = $derived(trying.circuit ?? props.circuit);
  const proofs = $derived(trying.proofs ?? props.proofs);
  const nets = $derived(circuit.nets.filter(({ ends }) => ends.length > 1));
  const analog = $derived(analogLinks(circuit));
  const isAnalog = (id: string) => analog.find(({ net }) => net.id === id);

  /** Rails with a voltage of their own, which a slider may move; the controller's first. */
  const rails = $derived(
    [...props.circuit.rails.values()]
      .filter(({ offer, voltage }) => offer.voltage && voltage)
      .sort((a, b) => Number(b.part === circuit.controller?.id) - Number(a.part === circuit.controller?.id)),
  );
  let swept = $state<string | null>(null);
  const rail = $derived(rails.find(({ ref }) => ref === swept) ?? rails[0]);
  const volts = $derived((rail && (trying.trial.volts?.[rail.ref] ?? rail.voltage?.typ)) || 0);
</script>

<Station title="Levels" says="{counted(nets.length, 'net')}, both directions">
  {#snippet tools()}
    {#if rail?.voltage}
      <label class="unit"
        >try
        <Select
          label="rail whose voltage is tried"
          class="rail w-[11em]"
          value={rail.ref}
          choices={rails.map((r) => ({ value: r.ref, label: say(r.label) }))}
          change={(ref) => (swept = ref)}
        /></label
      >
      <TrySlider
        value={volts}
        unit="V"
        label="voltage of {say(rail.label)}"
        min={Math.round(rail.voltage.typ * 80) / 100}
        max={Math.round(rail.voltage.typ * 120) / 100}
        step={0.01}
        onTry={(v) => trying.set('volts', rail.ref, v, `${formatQuantity(v, 'V', 3)} on ${say(rail.label)}`)}
      />
    {/if}
  {/snippet}
  {#snippet bar()}<TryBar />{/snippet}
  {#each nets as net (net.id)}
    {@const link = isAnalog(net.id)}
    <LevelNet {circuit} settled={props.circuit} {net} {proofs} />
    {#if link}<AnalogNet {circuit} {link} {proofs} />{/if}
  {:else}
    <p class="p-4 unit">Nothing is connected yet. Add parts at Need.</p>
  {/each}
</Station>
