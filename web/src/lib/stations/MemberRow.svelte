<!-- A part on a bus: its address, the bus it hangs on, the pull-ups that it carries. -->
<script lang="ts">
  import {
    formatAddress,
    setAddress,
    setBus,
    setOpened,
    type BusNode,
    type Circuit,
    type Member,
    type Plan,
  } from '@idle-breadboard/core';
  import AddressField from '../kit/AddressField.svelte';
  import Proof from '../kit/Proof.svelte';
  import Row from '../kit/Row.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { shown } from './bus-proofs';

  interface Props {
    circuit: Circuit;
    bus: BusNode;
    member: Member;
    proofs: Proofs;
    edit: (change: (plan: Plan) => Plan, why: string) => void;
  }
  let { circuit, bus, member, proofs, edit }: Props = $props();

  /** Signals of a member whose breakout carries a pull-up that can be opened. */
  function jumpers(member: Member) {
    const part = circuit.parts.get(member.part);
    return part?.card.signals.filter(({ fittedPullUp }) => fittedPullUp?.removable === 'jumper') ?? [];
  }

  function toggleJumpers(member: Member, open: boolean) {
    edit(
      (p) => jumpers(member).reduce((q, { id }) => setOpened(q, member.part, id, open), p),
      `${open ? 'open' : 'close'} jumpers of ${member.label}`,
    );
  }

  const sameKind = (bus: BusNode) => circuit.buses.filter(({ protocol }) => protocol === bus.protocol);
</script>

<Row subjects={[`${member.part}.${member.port}`]} depth={1}>
  {#snippet choose()}
    <span>{member.label}</span>
    {#if bus.protocol === 'i2c'}
      {#if member.options.length > 1}
        <select
          class="field value"
          aria-label="address of {member.label}"
          value={String(member.address)}
          onchange={(event) =>
            edit(
              (p) => setAddress(p, member.part, member.port, Number(event.currentTarget.value)),
              `address of ${member.label}`,
            )}
        >
          {#if !member.options.some(({ value }) => value === member.address)}<option value={String(member.address)}
              >{formatAddress(member.address ?? 0)}</option
            >{/if}
          {#each member.options as option (option.value)}<option value={String(option.value)}
              >{formatAddress(option.value)} · {option.setting}</option
            >{/each}
        </select>
      {:else}
        <AddressField
          value={member.address}
          label="address of {member.label}"
          change={(address) =>
            edit((p) => setAddress(p, member.part, member.port, address), `address of ${member.label}`)}
        />
        <span class="unit">fixed</span>
      {/if}
    {/if}
    {#if sameKind(bus).length > 1}
      <select
        class="field"
        aria-label="bus of {member.label}"
        value={bus.id}
        onchange={(event) =>
          edit((p) => setBus(p, member.part, member.port, event.currentTarget.value), `bus of ${member.label}`)}
      >
        {#each sameKind(bus) as other (other.id)}<option value={other.id}>{other.name}</option>{/each}
      </select>
    {/if}
    {#if jumpers(member).length > 0}
      <label class="unit inline-flex items-center gap-1">
        <input
          type="checkbox"
          checked={jumpers(member).every(({ id }) => !circuit.parts.get(member.part)?.choice?.opened.includes(id))}
          onchange={(event) => toggleJumpers(member, !event.currentTarget.checked)}
        />own pull-ups
      </label>
    {/if}
    {#if member.beyond}<span class="unit">behind a translator</span>{/if}
  {/snippet}
  {#snippet prove()}
    {#each shown(of(proofs, `${member.part}.${member.port}`, 'bus/address-collision', 'bus/address-reserved')) as result (result.key)}<Proof
        {result}
      />{/each}
  {/snippet}
</Row>
