<script lang="ts">
  import {
    addHelper,
    ASK_NAME,
    changeHelper,
    freeId,
    instancesFor,
    pinUses,
    removeHelper,
    setPin,
    withLightResistor,
    type Circuit,
    type PinWish,
    type Plan,
  } from '@idle-breadboard/core';
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import { assignRest } from '../frame/actions';
  import Proof from '../kit/Proof.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const uses = $derived(pinUses(circuit));
  const edit = (change: (plan: Plan) => Plan, why: string) =>
    workbench.plan && workbench.edit(change(workbench.plan), why);

  function set(wish: PinWish, pin: string | null, locked: boolean, weakPull = wish.weakPull) {
    edit(
      (p) => setPin(p, wish.of, wish.line, { pin, locked, ...(weakPull ? { weakPull } : {}) }),
      `pin of ${wish.label}`,
    );
  }

  /** Pins for a line: able and free first, then able and taken, then the rest; burdens are said. */
  function offered(wish: PinWish) {
    return uses
      .map((use) => {
        const able = instancesFor(use.functions, wish.ask).length > 0;
        const others = use.wishes.filter(({ id }) => id !== wish.id);
        const notes = [
          able ? '' : 'cannot',
          others.length > 0 ? `has ${others.map(({ label }) => label).join(', ')}` : '',
          use.pin.strap ? `${use.pin.strap.level} at boot` : '',
          use.pin.reserved?.by ?? '',
        ].filter(Boolean);
        return {
          id: use.pin.terminal,
          label: use.label,
          notes: notes.join('; '),
          rank: (able ? 0 : 4) + (others.length > 0 ? 2 : 0) + (use.pin.strap || use.pin.reserved ? 1 : 0),
        };
      })
      .sort((a, b) => a.rank - b.rank);
  }

  const lights = $derived(circuit.nets.filter(({ ends }) => ends.some(({ kind }) => kind === 'led')));
  const coils = $derived(
    [...circuit.parts.values()].flatMap((part) =>
      part.card.ports.filter(({ protocol }) => protocol === 'coil').map((port) => ({ part, port })),
    ),
  );
  const drivers = $derived([...circuit.parts.values()].filter(({ card }) => card.driver));
  const diodeCard = $derived([...workbench.library.values()].find(({ kind }) => kind === 'diode'));
  const diodeOf = (part: string) => circuit.plan.helpers.find((h) => h.kind === 'diode' && h.part === part);

  function addSeries(net: (typeof lights)[number]) {
    const now = workbench.circuit();
    const wanted = now?.nets.find(({ id }) => id === net.id);
    const made = now && wanted && withLightResistor(now, wanted);
    if (made) workbench.edit(made.plan, `resistor for ${net.label}`);
    else view.say(`${net.label} needs a pin first; then its resistor can be worked out.`);
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

<Station
  title="Pins"
  says={circuit.controller
    ? `${circuit.wishes.length} lines on ${uses.length} pins of ${circuit.controller.label}`
    : 'no controller yet'}
>
  {#snippet tools()}
    <button type="button" class="act" disabled={!circuit.controller} onclick={assignRest}>Assign the rest</button>
  {/snippet}
  {#each circuit.wishes as wish (wish.id)}
    <Row subjects={[wish.id]}>
      {#snippet choose()}
        <span class="grow">{wish.label} <span class="unit">wants {ASK_NAME[wish.ask]}</span></span>
        {#if wish.ask === 'in'}
          <label class="unit inline-flex items-center gap-1"
            ><input
              type="checkbox"
              checked={wish.weakPull}
              onchange={(event) => set(wish, wish.pin, wish.locked, event.currentTarget.checked)}
            />own pull</label
          >
        {/if}
        <select
          class="field value"
          style:width="8.5em"
          aria-label="pin of {wish.label}"
          value={wish.pin ?? ''}
          onchange={(event) => set(wish, event.currentTarget.value || null, wish.locked)}
        >
          <option value="">none</option>
          {#each offered(wish) as pin (pin.id)}<option value={pin.id}
              >{pin.label}{pin.notes ? ` (${pin.notes})` : ''}</option
            >{/each}
        </select>
        <button
          type="button"
          class="act bare"
          aria-pressed={wish.locked}
          aria-label="lock {wish.label} to its pin"
          title={wish.locked ? 'locked: stays when the rest is assigned' : 'free to move'}
          disabled={wish.pin === null}
          onclick={() => set(wish, wish.pin, !wish.locked)}
        >
          {#if wish.locked}<Lock size={14} />{:else}<LockOpen size={14} />{/if}
        </button>
      {/snippet}
      {#snippet prove()}
        {#each of(proofs, wish.id, 'pin/capability', 'pin/double', 'pin/strap') as result (result.key)}
          {#if result.severity !== null || result.check === 'pin/capability' || result.check === 'pin/strap'}<Proof
              {result}
            />{/if}
        {/each}
      {/snippet}
    </Row>
  {:else}
    <p class="p-4 unit">No line wants a pin yet.</p>
  {/each}
  {#if lights.length + coils.length > 0}
    <Row head>{#snippet choose()}Loads{/snippet}</Row>
  {/if}
  {#each lights as net (net.id)}
    {@const end = net.ends.find(({ kind }) => kind === 'led')}
    <Row subjects={[`${end?.part}.${end?.signal}`]}>
      {#snippet choose()}
        <span class="grow">{net.label}</span>
        {#each net.series as { helper, ohms } (helper)}
          <QuantityField
            value={ohms}
            unit="Ω"
            label="resistor of {net.label}"
            check={(v) => (v > 0 ? null : 'more than 0 Ω')}
            change={(value) =>
              edit(
                (p) => changeHelper(p, helper, (h) => (h.kind === 'series' ? { ...h, ohms: value } : h)),
                `resistor of ${net.label}`,
              )}
          />
          <button
            type="button"
            class="act bare"
            aria-label="remove the resistor of {net.label}"
            onclick={() => edit((p) => removeHelper(p, helper), `remove the resistor of ${net.label}`)}
            ><X size={13} /></button
          >
        {:else}
          <button type="button" class="act" onclick={() => addSeries(net)}><Plus size={13} />resistor</button>
        {/each}
      {/snippet}
      {#snippet prove()}{#each of(proofs, `${end?.part}.${end?.signal}`, 'drive/led') as result (result.key)}<Proof
            {result}
          />{/each}{/snippet}
    </Row>
  {/each}
  {#each coils as { part, port } (part.id + port.id)}
    <Row subjects={[`${part.id}.${port.id}`]}>
      {#snippet choose()}
        <span class="grow">{part.label}</span>
        <select
          class="field"
          aria-label="driver of {part.label}"
          value={part.choice?.ports[port.id]?.driver ?? ''}
          onchange={(event) => setDriver(part.id, port.id, event.currentTarget.value)}
        >
          {#if !part.choice?.ports[port.id]?.driver}<option value="" disabled>nothing switches it</option>{/if}
          {#each drivers as driver (driver.id)}<option value={driver.id}>{driver.label}</option>{/each}
        </select>
        <label class="inline-flex items-center gap-1"
          ><input
            type="checkbox"
            checked={diodeOf(part.id) !== undefined}
            onchange={(event) => toggleDiode(part.id, event.currentTarget.checked)}
          />diode</label
        >
      {/snippet}
      {#snippet prove()}{#each of(proofs, `${part.id}.${port.id}`, 'drive/flyback') as result (result.key)}<Proof
            {result}
          />{/each}{/snippet}
    </Row>
  {/each}
</Station>
