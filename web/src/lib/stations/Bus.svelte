<script lang="ts">
  import {
    addEmptyBus,
    addPullUp,
    changeBus,
    changeHelper,
    formatQuantity,
    pullUpWindow,
    removeBus,
    removeHelper,
    type Circuit,
    type Net,
    type Plan,
  } from '@idle-breadboard/core';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import AddressComb from '../charts/AddressComb.svelte';
  import Proof from '../kit/Proof.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import TextField from '../kit/TextField.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { shown } from './bus-proofs';
  import MemberRow from './MemberRow.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const plan = $derived(circuit.plan);
  const edit = (change: (plan: Plan) => Plan, why: string) =>
    workbench.plan && workbench.edit(change(workbench.plan), why);
  const netsOf = (bus: string) => circuit.nets.filter((net) => net.bus === bus);

  function addPull(net: Net) {
    const now = workbench.circuit();
    const wanted = now?.nets.find(({ id }) => id === net.id);
    const next = now && wanted && addPullUp(now, now.plan, wanted);
    if (next) workbench.edit(next, `add a pull-up to ${net.label}`);
    else view.say(`No pull-up fits ${net.label}: its window is shut, or nothing feeds the rail that it would go to.`);
  }

  const newBus = (protocol: 'i2c' | 'onewire') => edit((p) => addEmptyBus(p, protocol).plan, 'add a bus');

  const window = (net: Net) =>
    pullUpWindow(net, Math.max(0, ...net.pullUps.map(({ voltage }) => voltage?.max ?? 0)), plan.rules);
</script>

<Station title="Bus" says="addresses, clock and pull-ups">
  {#snippet tools()}
    <button type="button" class="act" onclick={() => newBus('i2c')}><Plus size={14} />I²C bus</button>
    <button type="button" class="act" onclick={() => newBus('onewire')}><Plus size={14} />one-wire bus</button>
  {/snippet}
  {#each circuit.buses as bus (bus.id)}
    <Row subjects={[bus.id]} head>
      {#snippet choose()}
        <TextField
          value={bus.name}
          label="name of the bus"
          width="8em"
          most={40}
          change={(name) => edit((p) => changeBus(p, bus.id, (b) => ({ ...b, name })), 'name a bus')}
        />
        <span class="unit font-normal">{bus.members.length} parts</span>
        {#if bus.protocol === 'i2c'}
          <select
            class="field value"
            aria-label="clock of {bus.name}"
            value={String(bus.clock ?? 100e3)}
            onchange={(event) =>
              edit(
                (p) => changeBus(p, bus.id, (b) => ({ ...b, clock: Number(event.currentTarget.value) })),
                `clock of ${bus.name}`,
              )}
          >
            {#each [10e3, 50e3, 100e3, 400e3, 1e6] as hz (hz)}<option value={String(hz)}
                >{formatQuantity(hz, 'Hz')}</option
              >{/each}
          </select>
        {/if}
        {#if bus.members.length === 0}
          <button
            type="button"
            class="act bare"
            aria-label="remove {bus.name}"
            onclick={() => edit((p) => removeBus(p, bus.id), `remove ${bus.name}`)}><X size={14} /></button
          >
        {/if}
      {/snippet}
      {#snippet prove()}
        {#if bus.protocol === 'i2c' && bus.members.length > 0}<AddressComb
            {bus}
          />{:else if bus.members.length === 0}<span class="unit">no part hangs here yet</span>{/if}
        {#each of(proofs, bus.id, 'bus/clock') as result (result.key)}<Proof {result} />{/each}
      {/snippet}
    </Row>
    {#each bus.members as member (member.part + member.port)}
      <MemberRow {circuit} {bus} {member} {proofs} {edit} />
    {/each}
    {#each netsOf(bus.id) as net (net.id)}
      <Row subjects={[net.id]} depth={1}>
        {#snippet choose()}
          <span>{net.label}</span>
          {#each net.pullUps.filter((p) => p.helper !== null) as pull (pull.helper)}
            <span class="inline-flex items-center">
              <QuantityField
                value={pull.ohms.typ}
                unit="Ω"
                label="pull-up on {net.label}"
                width="5em"
                check={(v) => (v > 0 ? null : 'more than 0 Ω')}
                change={(ohms) =>
                  edit(
                    (p) => changeHelper(p, pull.helper ?? '', (h) => (h.kind === 'pull-up' ? { ...h, ohms } : h)),
                    `pull-up of ${net.label}`,
                  )}
              />
              <button
                type="button"
                class="act bare"
                aria-label="remove the pull-up of {formatQuantity(pull.ohms.typ, 'Ω')} on {net.label}"
                onclick={() => edit((p) => removeHelper(p, pull.helper ?? ''), `remove a pull-up of ${net.label}`)}
                ><X size={13} /></button
              >
            </span>
          {/each}
          <button type="button" class="act bare" aria-label="add a pull-up to {net.label}" onclick={() => addPull(net)}
            ><Plus size={13} />pull-up</button
          >
          {#if window(net).values.length > 0}
            <span class="unit"
              >one alone: <span class="value">{formatQuantity(window(net).values[0] ?? 0, 'Ω')}</span> to
              <span class="value">{formatQuantity(window(net).values.at(-1) ?? 0, 'Ω')}</span></span
            >
          {/if}
        {/snippet}
        {#snippet prove()}
          {#each shown(of(proofs, net.id, 'bus/pull-up-weak', 'bus/pull-up-strong', 'wire/pull-up', 'level/no-pull-up')) as result (result.key)}<Proof
              {result}
            />{/each}
        {/snippet}
      </Row>
    {/each}
  {:else}
    <p class="p-4 unit">No part of this plan is on a bus.</p>
  {/each}
</Station>
