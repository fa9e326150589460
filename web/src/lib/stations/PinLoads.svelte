<!-- What hangs on pins and needs something beside it: lights with their resistor, coils with their driver and diode. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { onContact, type Circuit, type Net } from '@idle-breadboard/core/circuit';
  import {
    type Plan,
    addHelper,
    changeHelperOf,
    freeId,
    keyOf,
    removeHelper,
    setContact,
  } from '@idle-breadboard/core/plan';
  import { baseResistor, withLightResistor } from '@idle-breadboard/core/solve';
  import { say } from '@idle-breadboard/core/words';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import Proof from '../kit/Proof.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { telling } from '../state/telling.svelte';
  import { circuitNow } from '../state/circuit-now';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const edit = (change: (plan: Plan) => Plan, why: string) =>
    workbench.plan && workbench.edit(change(workbench.plan), why);
  const lights = $derived(circuit.nets.filter(({ ends }) => ends.some(({ kind }) => kind === 'led')));
  const coils = $derived(
    [...circuit.parts.values()].flatMap((part) =>
      part.card.ports.filter(({ protocol }) => protocol === 'coil').map((port) => ({ part, port })),
    ),
  );
  const drivers = $derived([...circuit.parts.values()].filter(({ card }) => card.driver ?? card.contact));
  const relays = $derived([...circuit.parts.values()].filter(({ card, choice }) => card.contact && choice));
  const diodeCard = $derived([...workbench.library.values()].find(({ kind }) => kind === 'diode'));
  const diodeOf = (part: string) => circuit.plan.helpers.find((h) => h.kind === 'diode' && h.part === part);

  function addSeries(net: (typeof lights)[number]) {
    const now = circuitNow();
    const wanted = now?.nets.find(({ id }) => id === net.id);
    const made = now && wanted && withLightResistor(now, wanted);
    if (made) workbench.edit(made.plan, `resistor for ${say(net.label)}`);
    else telling.say(`${say(net.label)} needs a pin first; then its resistor can be worked out.`);
  }

  /** Bare transistors, with the line of their base. */
  const bases = $derived(
    circuit.nets.flatMap((net) => {
      const end = net.ends.find(({ part, controller }) => !controller && circuit.parts.get(part)?.card.driver?.bipolar);
      return end ? [{ net, driver: end.part }] : [];
    }),
  );

  function addBase(driver: string, label: string) {
    const now = circuitNow();
    const made = now && baseResistor(now, driver);
    if (made) workbench.edit(made.plan, `resistor for ${label}`);
    else telling.say(`${label} needs a pin and a load that one resistor suits; a pin cannot drive every load.`);
  }

  function setDriver(part: string, port: string, driver: string) {
    edit(
      (p) => ({
        ...p,
        parts: p.parts.map((x) =>
          x.id === part ? { ...x, ports: { ...x.ports, [port]: { ...x.ports[port], driver } } } : x,
        ),
      }),
      'driver of a load',
    );
  }

  function toggleDiode(part: string, on: boolean) {
    const old = diodeOf(part);
    if (!on && old) edit((p) => removeHelper(p, old.id), 'remove a diode');
    const card = diodeCard;
    if (on && !old && card)
      edit((p) => addHelper(p, { id: freeId(p, `diode-${part}`), kind: 'diode', part, card: card.id }), 'add a diode');
  }
</script>

{#snippet resistors(net: Net, add: () => void)}
  {#each net.series as { helper, ohms } (helper)}
    <QuantityField
      value={ohms}
      unit="Ω"
      label="resistor of {say(net.label)}"
      check={(v) => (v > 0 ? null : 'more than 0 Ω')}
      ahead
      change={(value) =>
        edit(
          (p) => changeHelperOf(p, helper, 'series', (h) => ({ ...h, ohms: value })),
          `resistor of ${say(net.label)}`,
        )}
    />
    <Button
      kind="bare"
      aria-label="remove the resistor of {say(net.label)}"
      onclick={() => edit((p) => removeHelper(p, helper), `remove the resistor of ${say(net.label)}`)}
      ><X size={13} /></Button
    >
  {:else}
    <Button onclick={add}><Plus size={13} />resistor</Button>
  {/each}
{/snippet}

{#if lights.length + coils.length + relays.length > 0}
  <Row head>{#snippet choose()}Loads{/snippet}</Row>
{/if}
{#each lights as net (net.id)}
  {@const end = net.ends.find(({ kind }) => kind === 'led')}
  <Row subjects={[keyOf(end?.part, end?.signal)]}>
    {#snippet choose()}
      <span class="grow">{say(net.label)}</span>
      {@render resistors(net, () => addSeries(net))}
    {/snippet}
    {#snippet prove()}{#each of(proofs, keyOf(end?.part, end?.signal), 'drive/led') as result (result.key)}<Proof
          {result}
        />{/each}{/snippet}
  </Row>
{/each}
{#each bases as { net, driver } (net.id)}
  <Row subjects={[driver]}>
    {#snippet choose()}
      <span class="grow">{say(net.label)}, base</span>
      {@render resistors(net, () => addBase(driver, say(net.label)))}
    {/snippet}
    {#snippet prove()}{#each of(proofs, driver, 'drive/transistor').filter(({ aspect }) => aspect === 'base') as result (result.key)}<Proof
          {result}
        />{/each}{/snippet}
  </Row>
{/each}
{#each coils as { part, port } (part.id + port.id)}
  <Row subjects={[keyOf(part.id, port.id)]}>
    {#snippet choose()}
      <span class="grow">{say(part.label)}</span>
      <Select
        label="{say(part.label)} is switched by"
        value={part.choice?.ports[port.id]?.driver ?? ''}
        choices={drivers.map((driver) => ({ value: driver.id, label: say(driver.label) }))}
        ahead
        change={(to) => setDriver(part.id, port.id, to)}
        placeholder="nothing switches it"
      />
      {#if circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '')?.card.contact?.closed}
        <Select
          label="side of the contact of {say(part.label)}"
          value={part.choice?.ports[port.id]?.contact ?? 'open'}
          choices={[
            { value: 'open', label: 'NO, on with the relay' },
            { value: 'closed', label: 'NC, off with the relay' },
          ]}
          ahead
          change={(to) =>
            edit(
              (p) => setContact(p, part.id, port.id, to === 'closed' ? 'closed' : 'open'),
              `side of the contact of ${say(part.label)}`,
            )}
        />
      {/if}
      <label class="inline-flex items-center gap-1"
        ><Tick checked={diodeOf(part.id) !== undefined} change={(on) => toggleDiode(part.id, on)} />diode</label
      >
    {/snippet}
    {#snippet prove()}
      {#each [...of(proofs, keyOf(part.id, 'load'), 'drive/transistor'), ...of(proofs, keyOf(part.id, port.id), 'drive/flyback'), ...of(proofs, part.id, 'drive/contact').filter(({ subjects }) => subjects[0] === part.id)] as result (result.key)}<Proof
          {result}
        />{/each}
    {/snippet}
  </Row>
{/each}
{#each relays as relay (relay.id)}
  <Row subjects={[relay.id, `${relay.id}.contact`]}>
    {#snippet choose()}
      <span class="grow">{say(relay.label)}, contact</span>
      <span class="quiet"
        >{onContact(circuit, relay.id)
          .map(({ load, closed }) => `${say(load.label)} (${closed ? 'NC' : 'NO'})`)
          .join(', ') || 'nothing of this plan'}</span
      >
    {/snippet}
    {#snippet prove()}{#each of(proofs, relay.id, 'drive/contact').filter(({ subjects }) => subjects[0] === relay.id) as result (result.key)}<Proof
          {result}
        />{/each}{/snippet}
  </Row>
{/each}
