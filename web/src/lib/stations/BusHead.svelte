<!-- A bus: name, clock, where it begins; its addresses, and the time that a round of readings takes. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { jumpersAt, type BusNode, type Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { changeBus, hangBus, setOpened, removeBus, type Plan } from '@idle-breadboard/core/plan';
  import { busTime } from '@idle-breadboard/core/verify';
  import { counted, say } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import AddressComb from '../charts/AddressComb.svelte';
  import BusTime from '../charts/BusTime.svelte';
  import Proof from '../kit/Proof.svelte';
  import Row from '../kit/Row.svelte';
  import TextField from '../kit/TextField.svelte';
  import TrySlider from '../kit/TrySlider.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { trying } from '../state/trial.svelte';

  interface Props {
    circuit: Circuit;
    bus: BusNode;
    proofs: Proofs;
    edit: (change: (plan: Plan) => Plan, why: string) => void;
  }
  let { circuit, bus, proofs, edit }: Props = $props();
  const PROOFS = ['bus/clock', 'bus/time', 'bus/crossed', 'wire/budget', 'wire/overlay'];
  const CLOCKS: Record<BusNode['protocol'], number[]> = {
    i2c: [10e3, 50e3, 100e3, 400e3, 1e6],
    spi: [100e3, 1e6, 4e6, 8e6],
    onewire: [],
  };

  const time = $derived(bus.protocol !== 'onewire' && bus.root === bus.id ? busTime(circuit, bus) : null);
  const card = $derived(circuit.controller?.card);
  const overlay = $derived(card?.controller?.overlays?.find(({ protocol }) => protocol === bus.protocol));
  const choice = $derived(circuit.plan.buses.find(({ id }) => id === bus.id));
  const wired = $derived(choice?.lines.data?.pin ?? null);
  const label = (pin: string) => card?.terminals.find(({ id }) => id === pin)?.label ?? pin;
  /** Where an I²C bus may begin: the controller's pins, or a channel of a bus switch. */
  const beginnings = $derived(
    [...circuit.parts.values()].flatMap((part) =>
      (part.card.busSwitch?.channels ?? []).map((_, channel) => ({ part, channel })),
    ),
  );
  const results = $derived(
    [
      ...of(proofs, bus.id, ...PROOFS),
      ...circuit.nets
        .filter((net) => net.bus === bus.id && net.beyond === null)
        .flatMap((net) => of(proofs, net.id, 'bus/crossed')),
    ].filter((result, i, all) => all.findIndex(({ key }) => key === result.key) === i),
  );

  /** Pull-ups with a jumper on the controller's board, or on what sits on it, at the pins of this bus. */
  const boards = $derived.by(() => {
    const pins = circuit.nets.flatMap(({ bus: of, ends }) =>
      of === bus.id ? ends.filter(({ controller }) => controller).map(({ terminal }) => terminal) : [],
    );
    const { controller } = circuit;
    if (!controller) return [];
    const all = pins.flatMap((pin) => jumpersAt(circuit.parts, controller, pin));
    return [...new Set(all.map(({ part }) => part))].map((part) => {
      const signals = all.filter((jumper) => jumper.part === part).map(({ signal }) => signal);
      return {
        part: part.id,
        label: part.label,
        signals,
        open: signals.every((signal) => part.choice?.opened.includes(signal)),
      };
    });
  });

  function begin(value: string) {
    const [part, channel] = value.split(':');
    edit((p) => hangBus(p, bus.id, part ? { part, channel: Number(channel) } : null), `where ${bus.name} begins`);
  }
</script>

<Row subjects={[bus.id]} head>
  {#snippet choose()}
    <TextField
      value={bus.name}
      label="name of the bus"
      width="8em"
      most={40}
      change={(name) => edit((p) => changeBus(p, bus.id, (b) => ({ ...b, name })), 'name a bus')}
    />
    <span class="unit font-normal">{counted(bus.members.length, 'part')}</span>
    {#if CLOCKS[bus.protocol].length > 0}
      <Select
        label="clock of {bus.name}"
        class="value"
        value={String(bus.clock ?? 100e3)}
        choices={[...new Set([...CLOCKS[bus.protocol], bus.clock ?? 100e3])]
          .sort((a, b) => a - b)
          .map((hz) => ({ value: String(hz), label: formatQuantity(hz, 'Hz') }))}
        ahead
        change={(to) => edit((p) => changeBus(p, bus.id, (b) => ({ ...b, clock: Number(to) })), `clock of ${bus.name}`)}
      />
    {/if}
    {#if bus.protocol === 'i2c' && !bus.behind && bus.members.length > 0}
      <span class="font-normal"
        ><TrySlider
          value={bus.clock ?? 100e3}
          unit="Hz"
          label="clock of {bus.name}, tried"
          min={10e3}
          max={1e6}
          step={10e3}
          onTry={(hz) => trying.set('clock', bus.id, hz, `${formatQuantity(hz, 'Hz')} on ${bus.name}`)}
        /></span
      >
    {/if}
    {#if bus.protocol === 'i2c' && beginnings.length > 0}
      <Select
        label="where {bus.name} begins"
        class="font-normal"
        value={bus.behind ? `${bus.behind.part}:${bus.behind.channel}` : ''}
        choices={[
          { value: '', label: 'at the controller' },
          ...beginnings.map(({ part, channel }) => ({
            value: `${part.id}:${channel}`,
            label: `channel ${channel} of ${say(part.label)}`,
          })),
        ]}
        ahead
        change={begin}
      />
    {/if}
    {#each boards as { part, signals, label, open } (part)}
      <label class="unit font-normal inline-flex items-center gap-1">
        <Tick
          checked={!open}
          label="pull-ups of {say(label)} on {bus.name}"
          ahead
          change={(on) => {
            const opened = !on;
            edit(
              (p) => signals.reduce((q, signal) => setOpened(q, part, signal, opened), p),
              `${opened ? 'open' : 'close'} jumpers of ${say(label)}`,
            );
          }}
        />pull-ups of {say(label)}
      </label>
    {/each}
    {#if overlay && wired}
      <label class="unit font-normal"
        >{overlay.parameter}
        <Select
          label="pin that the system is told for {bus.name}"
          class="value"
          value={choice?.configuredPin ?? overlay.pin}
          choices={[...new Set([overlay.pin, wired, choice?.configuredPin ?? wired])].map((pin) => ({
            value: pin,
            label: `${label(pin)}${pin === overlay.pin ? ', default' : ''}`,
          }))}
          ahead
          change={(to) =>
            edit((p) => changeBus(p, bus.id, (b) => ({ ...b, configuredPin: to })), `setting of ${bus.name}`)}
        /></label
      >
    {/if}
    {#if time && time.shares.some(({ conversion }) => conversion > 0)}
      <label class="unit inline-flex items-center gap-1 font-normal"
        ><Tick
          checked={circuit.plan.overlap ?? false}
          ahead
          change={(on) => {
            edit(({ overlap: _was, ...p }) => (on ? { ...p, overlap: true } : p), 'conversions at the same time');
          }}
        />convert together</label
      >
    {/if}
    {#if bus.members.length === 0}
      <Button
        kind="bare"
        aria-label="remove {bus.name}"
        onclick={() => edit((p) => removeBus(p, bus.id), `remove ${bus.name}`)}><X size={14} /></Button
      >
    {/if}
  {/snippet}
  {#snippet prove()}
    {#if bus.members.length === 0}<span class="unit font-normal">no part hangs here yet</span>
    {/if}
    {#each results as result (result.key)}<Proof {result} />{/each}
  {/snippet}
  {#snippet wide()}
    {#if bus.protocol === 'i2c' && bus.members.length > 0}<AddressComb {bus} />{/if}
    {#if time && time.interval !== null && time.shares.length > 0}
      <BusTime label={bus.name} shares={time.shares} interval={time.interval} />
    {/if}
  {/snippet}
</Row>
