<!-- A need as a sentence with editable parts; across the channel who serves it, and who could. -->
<script lang="ts">
  import { changeNeed, removeNeed, serveNeed, type Circuit, type Need, type Plan } from '@idle-breadboard/core';
  import X from '@lucide/svelte/icons/x';
  import Proof from '../kit/Proof.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import TextField from '../kit/TextField.svelte';
  import { candidates } from '../state/needs';
  import { of, type Proofs } from '../state/proofs';
  import { workbench } from '../state/workbench.svelte';

  interface Props {
    circuit: Circuit;
    need: Need;
    proofs: Proofs;
    asked: readonly { quantity: string; unit: string }[];
    edit: (change: (plan: Plan) => Plan, why: string) => void;
    serve: (card: string) => void;
  }
  let { circuit, need, proofs, asked, edit, serve }: Props = $props();
  const found = $derived(need.kind === 'sense' ? candidates(workbench.library, need, circuit.plan.lifeYears) : null);
  const serving = $derived(circuit.plan.parts.filter((part) => part.needs.includes(need.id)));
  const change = (next: Need, why: string) => edit((p) => changeNeed(p, need.id, () => next), why);
  const VERB = { sense: 'sense', show: 'show', drive: 'drive', operate: 'operate' };
  const name = $derived(need.kind === 'sense' ? `${need.quantity} at ${need.place}` : need.what);

  function pick(value: string) {
    if (value.startsWith('part:')) edit((p) => serveNeed(p, need.id, value.slice(5), true), 'who serves a need');
    else if (value.startsWith('card:')) serve(value.slice(5));
  }
</script>

<Row subjects={[need.id]}>
  {#snippet choose()}
    <span class="sentence">
      {#if need.kind === 'sense'}
        <select
          class="field"
          aria-label="quantity"
          value={need.quantity}
          onchange={(event) => {
            const q = asked.find(({ quantity }) => quantity === event.currentTarget.value);
            if (q) change({ ...need, ...q }, 'quantity of a need');
          }}
        >
          {#each asked as q (q.quantity)}<option value={q.quantity}>{q.quantity}</option>{/each}
        </select>
        from <QuantityField
          value={need.from}
          unit={need.unit}
          plain={need.unit !== 'kg'}
          label="{name}, from"
          width={need.unit === 'kg' ? '5em' : '3.6em'}
          check={(v) => (v < need.to ? null : `below ${need.to}`)}
          change={(from) => change({ ...need, from }, 'range of a need')}
        />
        to <QuantityField
          value={need.to}
          unit={need.unit}
          label="{name}, to"
          width="5.4em"
          check={(v) => (v > need.from ? null : `above ${need.from}`)}
          change={(to) => change({ ...need, to }, 'range of a need')}
        />
        within ±<QuantityField
          value={need.accuracy}
          unit={need.unit}
          plain={need.unit !== 'kg'}
          label="{name}, within"
          width={need.unit === 'kg' ? '3.6em' : '3em'}
          check={(v) => (v > 0 ? null : 'more than 0')}
          change={(accuracy) => change({ ...need, accuracy }, 'accuracy of a need')}
        />
        every <QuantityField
          value={need.interval}
          unit="s"
          label="{name}, every"
          width="3.6em"
          check={(v) => (v > 0 ? null : 'more than 0 s')}
          change={(interval) => change({ ...need, interval }, 'interval of a need')}
        />
        at <TextField
          value={need.place}
          label="{name}, at"
          width="8.5em"
          change={(place) => change({ ...need, place }, 'place of a need')}
        />
      {:else}
        <span class="unit">{VERB[need.kind]}:</span>
        <TextField
          value={need.what}
          label="what to {need.kind}"
          width="18em"
          most={80}
          change={(what) => change({ ...need, what }, 'a need')}
        />
        at <TextField
          value={need.place}
          label="{name}, at"
          width="7.5em"
          change={(place) => change({ ...need, place }, 'place of a need')}
        />
      {/if}
    </span>
    <button
      type="button"
      class="act bare ml-auto"
      aria-label="remove the need: {name}"
      onclick={() => edit((p) => removeNeed(p, need.id), 'remove a need')}><X size={14} /></button
    >
  {/snippet}
  {#snippet prove()}
    <span class="served">
      {#each serving as part (part.id)}
        <span class="tag"
          >{part.label}<button
            type="button"
            class="act bare"
            aria-label="{part.label} no longer serves {name}"
            onclick={() => edit((p) => serveNeed(p, need.id, part.id, false), 'who serves a need')}
            ><X size={12} /></button
          ></span
        >
      {/each}
      <select
        class="field"
        aria-label="who serves {name}"
        value=""
        onchange={(event) => {
          pick(event.currentTarget.value);
          event.currentTarget.value = '';
        }}
      >
        <option value="">{serving.length === 0 ? 'choose who serves it' : 'or another'}</option>
        {#if found && found.able.length > 0}
          <optgroup label="add from the catalogue">
            {#each found.able as card (card.id)}<option value="card:{card.id}">{card.name}</option>{/each}
          </optgroup>
        {/if}
        <optgroup label="a part of the plan">
          {#each circuit.plan.parts.filter((part) => !part.needs.includes(need.id)) as part (part.id)}<option
              value="part:{part.id}">{part.label}</option
            >{/each}
        </optgroup>
      </select>
      {#if found}
        <span class="unit"
          >{found.able.length}
          {found.able.length === 1 ? 'card meets' : 'cards meet'} it{#each found.out as { reason, count } (reason)}; {count}
            {count === 1 ? 'fails' : 'fail'} by {reason}{/each}</span
        >
      {/if}
    </span>
    {#each of(proofs, need.id, 'need/range', 'need/accuracy') as result (result.key)}<Proof {result} />{/each}
  {/snippet}
</Row>

<style>
  .sentence {
    line-height: 1.75;
    flex: 1;
    min-width: 0;
  }
  .served {
    display: inline-flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px 8px;
    width: 100%;
    min-height: 26px;
  }
  .served select {
    max-width: 13em;
  }
  .tag {
    display: inline-flex;
    align-items: center;
    font-weight: 600;
  }
</style>
