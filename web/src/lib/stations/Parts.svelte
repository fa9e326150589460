<script lang="ts">
  import { setStock, type Circuit, type PartsList } from '@idle-breadboard/core';
  import Download from '@lucide/svelte/icons/download';
  import Printer from '@lucide/svelte/icons/printer';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { saveCsv } from '../frame/actions';
  import { money } from '../kit/words';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, parts }: { circuit: Circuit; parts: PartsList } = $props();
  const plan = $derived(circuit.plan);
  const overBudget = $derived(plan.budget !== undefined && parts.total > plan.budget.most);
  const late = $derived(plan.readyInDays !== undefined && parts.arrival > plan.readyInDays);

  function stock(card: string, text: string) {
    const pieces = Number(text);
    if (Number.isInteger(pieces) && pieces >= 0 && workbench.plan)
      workbench.edit(setStock(workbench.plan, card, pieces), 'what is in the drawer');
  }
</script>

<Station title="Parts" says="{parts.lines.length} kinds">
  {#snippet tools()}
    <button type="button" class="act" onclick={() => window.print()}><Printer size={14} />Print the list</button>
    <button type="button" class="act" onclick={() => saveCsv('parts')}><Download size={14} />CSV</button>
  {/snippet}
  <Row head>
    {#snippet choose()}
      <span class="grow">{money(parts.total, parts.currency)} with shipping, here in {parts.arrival} days</span>
      <select
        class="field font-normal"
        aria-label="how to buy"
        value={plan.rules.buying}
        onchange={(event) =>
          workbench.plan &&
          workbench.edit(
            {
              ...workbench.plan,
              rules: { ...workbench.plan.rules, buying: event.currentTarget.value === 'cheap' ? 'cheap' : 'fast' },
            },
            'how to buy',
          )}
      >
        <option value="fast">fast and dear</option>
        <option value="cheap">slow and cheap, with spares</option>
      </select>
    {/snippet}
    {#snippet prove()}
      {#if plan.budget}<span class="inline-flex items-center gap-1 font-normal"
          ><Glyph severity={overBudget ? 'fault' : null} />budget {money(plan.budget.most, plan.budget.currency)}, {overBudget
            ? 'over by'
            : 'left'}
          {money(Math.abs(plan.budget.most - parts.total), parts.currency)}</span
        >{/if}
      {#if plan.readyInDays !== undefined}<span class="inline-flex items-center gap-1 font-normal"
          ><Glyph severity={late ? 'fault' : null} />wanted in {plan.readyInDays} days</span
        >{/if}
    {/snippet}
  </Row>
  {#each parts.lines as line (line.card)}
    <Row subjects={[line.card]}>
      {#snippet choose()}
        <span class="value count">{line.needed}</span>
        <span class="grow name">{line.name}<span class="unit use" title={line.use}>{line.use}</span></span>
        <label class="unit"
          >drawer <input
            class="field value"
            type="number"
            min="0"
            step="1"
            style:width="4em"
            value={plan.stock[line.card] ?? 0}
            aria-label="{line.name} in the drawer"
            onchange={(event) => stock(line.card, event.currentTarget.value)}
          /></label
        >
      {/snippet}
      {#snippet prove()}
        {#if line.toBuy === 0}
          <span class="unit">from the drawer</span>
        {:else if line.offer}
          <span class="offer"
            ><span class="value">{line.packs} × {line.offer.pack === 1 ? 'piece' : `pack of ${line.offer.pack}`}</span
            ><span>{line.offer.supplier}</span><span class="unit"
              >{line.offer.leadDays} days{line.offer.soldering ? ', to solder' : ''}</span
            ><span class="value total">{money(line.total, '')}</span></span
          >
        {:else}
          <span class="text-fault">nobody offers it</span>
        {/if}
      {/snippet}
    </Row>
  {/each}
  <Row head>{#snippet choose()}Leads by ends and colour{/snippet}{#snippet prove()}By supplier{/snippet}</Row>
  <Row>
    {#snippet choose()}
      <span class="leads"
        >{#each parts.leads as lead (lead.ends + lead.colour)}<span
            ><span class="value">{lead.count}</span> {lead.colour} <span class="unit">{lead.ends}</span></span
          >{/each}</span
      >
    {/snippet}
    {#snippet prove()}
      {#each parts.suppliers as sum (sum.supplier)}
        <span class="offer"
          ><span>{sum.supplier}</span><span class="unit">goods {money(sum.goods, '')}</span><span class="unit"
            >shipping {money(sum.shipping, '')}</span
          ><span class="value total">{money(sum.goods + sum.shipping, parts.currency)}</span></span
        >
      {/each}
    {/snippet}
  </Row>
</Station>

<style>
  .count {
    width: 2em;
    text-align: right;
  }
  .name {
    min-width: 0;
    flex: 1;
  }
  .use {
    display: block;
    font-size: 0.86rem;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .offer {
    display: grid;
    grid-template-columns: 9.5em 1fr 8em 7em;
    gap: 8px;
    width: 100%;
    align-items: center;
  }
  .total {
    text-align: right;
  }
  .leads {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    padding-block: 4px;
  }
  @media (max-width: 1000px) {
    .offer {
      grid-template-columns: 1fr 1fr;
    }
  }
</style>
