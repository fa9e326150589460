<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { SharedProtocol } from '@idle-breadboard/core/card';
  import { allPullUps, type Circuit, type Net } from '@idle-breadboard/core/circuit';
  import { addEmptyBus, type Plan } from '@idle-breadboard/core/plan';
  import Plus from '@lucide/svelte/icons/plus';
  import { offerSweep } from '../kit/out-of-sight';
  import Station from '../kit/Station.svelte';
  import TryBar from '../kit/TryBar.svelte';
  import type { Proofs } from '../state/proofs';
  import { trying } from '../state/trial.svelte';
  import { workbench } from '../state/workbench.svelte';
  import BusHead from './BusHead.svelte';
  import LineRow from './LineRow.svelte';
  import MemberRow from './MemberRow.svelte';

  let props: { circuit: Circuit; proofs: Proofs } = $props();
  offerSweep(() => trying.active);
  const circuit = $derived(trying.circuit ?? props.circuit);
  const proofs = $derived(trying.proofs ?? props.proofs);
  const edit = (change: (plan: Plan) => Plan, why: string) => {
    if (workbench.plan) workbench.edit(change(workbench.plan), why);
  };
  const netsOf = (bus: string) => circuit.nets.filter((net) => net.bus === bus && net.protocol !== 'spi');
  /** What decides the edge of a line: the same for both lines of most buses. */
  const stateOf = (net: Net) =>
    JSON.stringify([
      net.beyond,
      net.clock,
      net.capacitance,
      allPullUps(net).map(({ ohms, root }) => [ohms, root]),
      net.ends.map(({ kind, power, levels }) => [kind, power.rail, levels.absoluteMax?.unit, levels.sink]),
    ]);
  const alikeOf = (net: Net, i: number, all: readonly Net[]) =>
    all.find((other, k) => k < i && stateOf(other) === stateOf(net)) ?? null;
  const newBus = (protocol: SharedProtocol) => edit((p) => addEmptyBus(p, protocol).plan, 'add a bus');
</script>

<Station title="Bus" says="addresses, time and pull-ups">
  {#snippet tools()}
    <Button onclick={() => newBus('i2c')}><Plus size={14} />I²C</Button>
    <Button onclick={() => newBus('onewire')}><Plus size={14} />one-wire</Button>
    <Button onclick={() => newBus('spi')}><Plus size={14} />SPI</Button>
  {/snippet}
  {#snippet bar()}<TryBar />{/snippet}
  {#each circuit.buses as bus (bus.id)}
    <BusHead {circuit} {bus} {proofs} {edit} />
    {#each bus.members as member (member.part + member.port)}
      <MemberRow {circuit} {bus} {member} {proofs} {edit} />
    {/each}
    {@const nets = netsOf(bus.id)}
    {#each nets as net, i (net.id)}<LineRow {circuit} {net} alike={alikeOf(net, i, nets)} {proofs} {edit} />{/each}
  {:else}
    <p class="p-4 unit">No part of this plan is on a bus.</p>
  {/each}
</Station>
