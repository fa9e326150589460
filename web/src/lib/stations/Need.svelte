<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { addNeed, freeId, type Need, type Plan, placeKey } from '@idle-breadboard/core/plan';
  import { addPart } from '@idle-breadboard/core/solve';
  import Plus from '@lucide/svelte/icons/plus';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { placeNames, placeOf, quantities, usualRange } from '../state/needs';
  import { of, type Proofs } from '../state/proofs';
  import { view } from '../state/view.svelte';
  import { circuitNow } from '../state/circuit-now';
  import { workbench } from '../state/workbench.svelte';
  import NeedRow from './NeedRow.svelte';
  import PartRow from './PartRow.svelte';
  import PlaceRow from './PlaceRow.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const plan = $derived(circuit.plan);
  /** Only a build on a panel asks for the sun. */
  const onPanel = $derived([...circuit.rails.values()].some(({ offer }) => offer.panel));
  const asked = $derived(quantities(workbench.library));
  const edit = (change: (plan: Plan) => Plan, why: string) =>
    workbench.plan && workbench.edit(change(workbench.plan), why);

  function newNeed(kind: Need['kind']) {
    edit((p) => {
      const first = asked.find(({ quantity }) => quantity === 'air temperature') ?? asked[0];
      const place = p.needs.find((n) => n.kind !== 'trigger');
      const at = place?.kind === 'sense' || place?.kind === 'show' ? place.place : 'somewhere';
      if (kind === 'sense') {
        const q = first ?? { quantity: 'air temperature', unit: '°C' };
        const range = usualRange(workbench.library, q, p.lifeYears);
        return addNeed(p, { id: freeId(p, q.quantity), kind, ...q, ...range, place: at });
      }
      if (kind === 'trigger') {
        const of = p.needs.find((n) => n.kind === 'sense');
        if (of?.kind !== 'sense') return p;
        const sets = p.needs
          .filter((n) => n.kind === 'drive')
          .slice(0, 1)
          .map(({ id }) => id);
        return addNeed(p, {
          id: freeId(p, 'trigger'),
          kind,
          of: of.id,
          when: 'above',
          level: of.to,
          hysteresis: 0,
          release: 'clears',
          sets,
        });
      }
      const what = kind === 'show' ? 'show readings as text' : kind === 'drive' ? 'switch something' : 'press a button';
      const service = kind === 'show' ? 'text' : kind === 'operate' ? 'button' : undefined;
      return addNeed(p, { id: freeId(p, kind), kind, what, place: at, ...(service ? { service } : {}) });
    }, 'add a need');
  }

  function serve(need: Need, cardId: string) {
    const card = workbench.library.get(cardId);
    const now = circuitNow();
    if (!card || !now) return;
    const label = need.kind === 'sense' ? `${need.place} ${need.quantity}` : card.name;
    edit(() => addPart(now, workbench.library, card, label, [need.id]).plan, `add ${card.name}`);
  }
</script>

<Station title="Need" says="">
  {#snippet tools()}
    <Button onclick={() => newNeed('sense')}><Plus size={14} />sense</Button>
    <Button onclick={() => newNeed('show')}><Plus size={14} />show</Button>
    <Button onclick={() => newNeed('drive')}><Plus size={14} />drive</Button>
    <Button onclick={() => newNeed('operate')}><Plus size={14} />operate</Button>
    <Button disabled={!plan.needs.some(({ kind }) => kind === 'sense')} onclick={() => newNeed('trigger')}
      ><Plus size={14} />trigger</Button
    >
  {/snippet}
  <Row>
    {#snippet choose()}
      <span
        >It serves <QuantityField
          value={plan.lifeYears}
          unit="years"
          plain
          label="years it serves"
          width="2.5em"
          check={(v) => (v > 0 && v <= 50 ? null : 'from above 0 to 50')}
          ahead
          change={(lifeYears) => edit((p) => ({ ...p, lifeYears }), 'years of service')}
        /> years, costs at most
        <QuantityField
          value={plan.budget?.most ?? null}
          unit=""
          plain
          label="budget"
          width="3.5em"
          check={(v) => (v > 0 ? null : 'more than 0')}
          ahead
          change={(most) => edit((p) => ({ ...p, budget: { most, currency: p.budget?.currency ?? 'EUR' } }), 'budget')}
        />
        {plan.budget?.currency ?? 'EUR'} and is ready in
        <QuantityField
          value={plan.readyInDays ?? null}
          unit=""
          plain
          label="days until it must be ready"
          width="2.5em"
          check={(v) => (v > 0 ? null : 'more than 0')}
          ahead
          change={(readyInDays) => edit((p) => ({ ...p, readyInDays }), 'ready in')}
        /> days.{#if onPanel}
          The worst month brings <QuantityField
            value={plan.sunHours ?? null}
            unit=""
            plain
            label="hours of full sun a day in the worst month"
            width="2.5em"
            check={(v) => (v > 0 && v <= 24 ? null : 'from above 0 to 24')}
            ahead
            change={(sunHours) => edit((p) => ({ ...p, sunHours }), 'hours of sun')}
          /> hours of full sun a day.{/if}</span
      >
    {/snippet}
    {#snippet prove()}<span class="unit">drift is counted over these years; cost and arrival are proved at Parts</span
      >{/snippet}
  </Row>
  {#each plan.needs as need (need.id)}
    <NeedRow {circuit} {need} {proofs} {asked} {edit} serve={(card) => serve(need, card)} />
  {:else}
    <Row
      >{#snippet choose()}<span class="unit">Nothing is asked yet. Say what it must sense, show or drive.</span
        >{/snippet}</Row
    >
  {/each}
  {#if plan.needs.length > 0}
    <Row head>{#snippet choose()}<span class="grow">Places</span>{/snippet}</Row>
    {#each placeNames(plan) as place (place)}
      <PlaceRow
        place={placeOf(plan, place)}
        said={plan.places.some(({ name }) => name === place)}
        results={of(proofs, placeKey(place), 'body/place')}
        needs={plan.needs.filter((n) => n.kind !== 'trigger' && n.place === place).length}
        {edit}
      />
    {/each}
  {/if}
  <Row head>
    {#snippet choose()}
      <span class="grow">Parts chosen <span class="unit font-normal">{plan.parts.length}</span></span>
      <Button class="font-normal" onclick={() => (view.sheet = 'add-part')}><Plus size={14} />Add a part</Button>
    {/snippet}
    {#snippet prove()}<span class="eyebrow">serves</span>{/snippet}
  </Row>
  {#each plan.parts as part (part.id)}
    <PartRow {circuit} {part} {edit} />
  {:else}
    <Row
      >{#snippet choose()}<span class="unit">No part yet. Start with the supply, then the controller.</span
        >{/snippet}</Row
    >
  {/each}
</Station>
