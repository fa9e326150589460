<!-- A part on a bus: its address, the bus it hangs on, the pull-ups that it carries. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { toInterval } from '@idle-breadboard/core/card';
  import type { BusNode, Circuit, Member } from '@idle-breadboard/core/circuit';
  import { formatAddress, formatQuantity, JUMPER_LENGTH } from '@idle-breadboard/core/figures';
  import {
    type Plan,
    type PortChoice,
    changePort,
    feedByLine,
    keyOf,
    setAddress,
    setBits,
    setBus,
    setOpened,
  } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import AddressField from '../kit/AddressField.svelte';
  import Proof from '../kit/Proof.svelte';
  import Row from '../kit/Row.svelte';
  import TrySlider from '../kit/TrySlider.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { trying } from '../state/trial.svelte';
  import { shown } from './bus-proofs';
  import WordComposer from './WordComposer.svelte';

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

  /** Its supply terminals go to ground, or to the rail that its line is pulled to. */
  function liveOnLine(on: boolean) {
    const supplies = circuit.parts.get(member.part)?.card.supplies ?? [];
    const rail = circuit.nets.find((net) => net.bus === bus.id)?.pullUps[0]?.rail ?? null;
    if (on || rail)
      edit(
        (p) => feedByLine(p, member.part, member.port, supplies, on ? null : rail),
        `how ${say(member.label)} is fed`,
      );
  }

  function toggleJumpers(member: Member, open: boolean) {
    edit(
      (p) => jumpers(member).reduce((q, { id }) => setOpened(q, member.part, id, open), p),
      `${open ? 'open' : 'close'} jumpers of ${say(member.label)}`,
    );
  }

  /** Coarser readings that it can be set to; the card of the plan, since that of the circuit is set already. */
  const settings = $derived(
    (circuit.cards.get(circuit.parts.get(member.part)?.choice?.card ?? '')?.measures ?? []).flatMap(({ coarser }) =>
      (coarser ?? []).map(({ bits, conversion }) => ({ bits, seconds: toInterval(conversion).max })),
    ),
  );
  const port = $derived(circuit.parts.get(member.part)?.card.ports.find(({ id }) => id === member.port));
  const choice = $derived(circuit.parts.get(member.part)?.choice?.ports[member.port]);
  const lead = $derived(circuit.parts.get(member.part)?.choice?.lead ?? JUMPER_LENGTH);
  const longest = $derived(bus.protocol === 'onewire' ? 60 : 6);
  let composing = $state(false);

  const change = (next: (choice: PortChoice) => PortChoice, why: string) =>
    edit((p) => changePort(p, member.part, member.port, next), why);

  const PROOFS = ['bus/address-collision', 'bus/address-reserved', 'bus/stretching', 'level/translated-twice'];
  const sameKind = (bus: BusNode) => circuit.buses.filter(({ protocol }) => protocol === bus.protocol);
</script>

<Row subjects={[keyOf(member.part, member.port)]} depth={1}>
  {#snippet choose()}
    <span>{say(member.label)}</span>
    {#if bus.protocol === 'i2c'}
      {#if member.options.length > 1}
        <Select
          label="address of {say(member.label)}"
          class="value"
          value={String(member.address)}
          choices={[
            ...(member.options.some(({ value }) => value === member.address)
              ? []
              : [{ value: String(member.address), label: formatAddress(member.address ?? 0) }]),
            ...member.options.map(({ value, setting }) => ({
              value: String(value),
              label: `${formatAddress(value)} · ${setting}`,
            })),
          ]}
          ahead
          change={(to) =>
            edit((p) => setAddress(p, member.part, member.port, Number(to)), `address of ${say(member.label)}`)}
        />
      {:else}
        <AddressField
          value={member.address}
          label="address of {say(member.label)}"
          ahead
          change={(address) =>
            edit((p) => setAddress(p, member.part, member.port, address), `address of ${say(member.label)}`)}
        />
        <span class="unit">fixed</span>
      {/if}
      {#if member.address !== null && member.address <= 0x7f}
        <span class="unit value text-aside" title="decimal, and the 8-bit form that holds the read/write bit"
          >{member.address}, 8-bit {formatAddress(member.address * 2)}</span
        >
      {/if}
    {/if}
    {#if sameKind(bus).length > 1}
      <Select
        label="bus of {say(member.label)}"
        value={bus.id}
        choices={sameKind(bus).map(({ id, name }) => ({ value: id, label: name }))}
        ahead
        change={(to) => edit((p) => setBus(p, member.part, member.port, to), `bus of ${say(member.label)}`)}
      />
    {/if}
    {#if jumpers(member).length > 0}
      <label class="unit inline-flex items-center gap-1">
        <Tick
          checked={jumpers(member).every(({ id }) => !circuit.parts.get(member.part)?.choice?.opened.includes(id))}
          ahead
          change={(on) => toggleJumpers(member, !on)}
        />own pull-ups
      </label>
    {/if}
    {#if settings.length > 0}
      <Select
        label="bits of {say(member.label)}"
        value={String(circuit.parts.get(member.part)?.choice?.bits ?? '')}
        choices={[
          { value: '', label: 'all bits' },
          ...settings.map(({ bits, seconds }) => ({
            value: String(bits),
            label: `${bits} bits, ${formatQuantity(seconds, 's')}`,
          })),
        ]}
        ahead
        change={(to) =>
          edit((p) => setBits(p, member.part, to === '' ? null : Number(to)), `bits of ${say(member.label)}`)}
      />
    {/if}
    {#if circuit.parts.get(member.part)?.card.busSwitch}
      <label class="unit inline-flex items-center gap-1">
        <Tick
          checked={choice?.together === true}
          label="channels of {say(member.label)} together"
          ahead
          change={(together) => {
            change(
              ({ together: _old, ...rest }) => (together ? { ...rest, together } : rest),
              `channels of ${say(member.label)}`,
            );
          }}
        />channels on together
      </label>
    {/if}
    {#if member.beyond}<span class="unit"
        >behind {say(circuit.parts.get(member.beyond)?.label ?? 'a divider')}{circuit.parts.get(member.beyond)?.helper
          ?.gate
          ? ', switched'
          : ''}</span
      >{/if}
    {#if port?.stretches?.noHold}
      <label class="unit inline-flex items-center gap-1">
        <Tick
          checked={choice?.noHold === true}
          ahead
          change={(noHold) => {
            change(
              ({ noHold: _old, ...rest }) => (noHold ? { ...rest, noHold } : rest),
              `commands of ${say(member.label)}`,
            );
          }}
        />commands without hold
      </label>
    {/if}
    {#if port?.parasite}
      <label class="unit inline-flex items-center gap-1">
        <Tick checked={choice?.parasite === true} ahead change={(on) => liveOnLine(on)} />lives on its data line
      </label>
    {/if}
    <span class="unit inline-flex items-center gap-1"
      >lead
      <TrySlider
        value={lead}
        unit="m"
        label="lead of {say(member.label)}"
        min={0.1}
        max={longest}
        step={0.1}
        onTry={(m) =>
          trying.set('lead', member.part, m, `${formatQuantity(m, 'm', 2)} of lead to ${say(member.label)}`)}
      /></span
    >
    {#if (port?.words ?? []).length > 0}
      <Button kind="bare" aria-expanded={composing} onclick={() => (composing = !composing)}>words</Button>
    {/if}
  {/snippet}
  {#snippet prove()}
    {#each shown(of(proofs, keyOf(member.part, member.port), ...PROOFS)) as result (result.key)}<Proof
        {result}
      />{/each}
    {#if composing}
      {#each port?.words ?? [] as word (word.id)}
        <WordComposer
          {word}
          label={say(member.label)}
          value={choice?.words?.[word.id] ?? 0}
          change={(next) =>
            change(
              (c) => ({ ...c, words: { ...c.words, [word.id]: next(c.words?.[word.id] ?? 0) } }),
              `${word.name} of ${say(member.label)}`,
            )}
        />
      {/each}
    {/if}
  {/snippet}
</Row>
