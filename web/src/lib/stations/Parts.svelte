<!-- Station 9: what to buy and what is in the drawer, beside where it comes from, what it costs and when it is there. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import type { PartsLine } from '@idle-breadboard/core/deliver';
  import { moneyOf, setRules, setStock, type HouseRules } from '@idle-breadboard/core/plan';
  import { counted, say } from '@idle-breadboard/core/words';
  import Download from '@lucide/svelte/icons/download';
  import Printer from '@lucide/svelte/icons/printer';
  import CostArrival from '../charts/CostArrival.svelte';
  import { saveBuild } from '../kit/plan-actions';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import Working from './Working.svelte';
  import { money } from '../kit/words';
  import { laying } from '../state/laying.svelte';
  import { workbench } from '../state/workbench.svelte';
  import BuyingRules from './BuyingRules.svelte';
  import LeadCounts from './LeadCounts.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const plan = $derived(circuit.plan);
  const parts = $derived(laying.build?.parts ?? null);
  const over = $derived(parts && plan.budget ? parts.total - plan.budget.most : null);
  const late = $derived(parts && plan.readyInDays !== undefined ? parts.arrival - plan.readyInDays : null);
  const percent = (share: number) => `${(share * 100).toFixed(share > 0.9995 ? 0 : 1)} %`;

  function stock(card: string, text: string) {
    const pieces = Number(text);
    if (Number.isInteger(pieces) && pieces >= 0 && workbench.plan)
      workbench.edit(setStock(workbench.plan, card, pieces), 'what is in the drawer');
  }
  const rules = (change: Partial<HouseRules>, why: string) =>
    workbench.plan && workbench.edit(setRules(workbench.plan, change), why);
  /** As it is ordered: supplier by supplier, then what nobody sells, then what lies in the drawer. */
  const groups = $derived.by(() => {
    if (!parts) return [];
    const of = (supplier: string) => parts.lines.filter(({ offer }) => offer?.supplier === supplier);
    const rest = parts.lines.filter(({ offer }) => !offer);
    return [
      ...parts.suppliers.map((sum) => ({ name: `Order at ${sum.supplier}`, sum, lines: of(sum.supplier) })),
      { name: 'Not to be had', sum: null, lines: rest.filter(({ unsold }) => unsold) },
      { name: 'In the drawer', sum: null, lines: rest.filter(({ unsold }) => !unsold) },
    ].filter(({ lines }) => lines.length > 0);
  });
  const buys = (line: PartsLine) =>
    line.spares > 0
      ? `${line.toBuy}, ${line.spares} of them ${line.spares === 1 ? 'a spare' : 'spares'}`
      : `${line.toBuy}`;
</script>

<Station title="Parts" says={parts ? counted(parts.lines.length, 'kind') : 'counting'}>
  {#snippet tools()}
    <Button onclick={() => window.print()}><Printer size={14} />Print or PDF</Button>
    <Button onclick={() => saveBuild('parts.csv')}><Download size={14} />CSV</Button>
  {/snippet}
  {#if parts}
    <Row head>
      {#snippet choose()}
        <span class="grow"
          >{money(parts.total, parts.currency)} with shipping, here in {counted(parts.arrival, 'day')}</span
        >
      {/snippet}
      {#snippet prove()}
        {#if plan.budget && over !== null}<span class="inline-flex items-center gap-1 font-normal"
            ><Glyph severity={over > 0 ? 'fault' : null} />budget {money(plan.budget.most, plan.budget.currency)}, {over >
            0
              ? 'over by'
              : 'left'}
            {money(Math.abs(over), parts.currency)}</span
          >{/if}
        {#if late !== null}<span class="inline-flex items-center gap-1 font-normal"
            ><Glyph severity={late > 0 ? 'fault' : null} />wanted in {counted(plan.readyInDays ?? 0, 'day')}</span
          >{/if}
        {#if parts.chance < 1}<span class="inline-flex items-center gap-1 font-normal"
            >enough of everything works in <span class="value">{percent(parts.chance)}</span> of such orders</span
          >{/if}
      {/snippet}
    </Row>
    <Row>
      {#snippet choose()}<BuyingRules
          rules={plan.rules}
          change={rules}
          money={moneyOf(plan)}
          unpriced={parts.unpriced}
          rate={(currency, value) =>
            workbench.plan &&
            workbench.edit(
              { ...workbench.plan, rates: { ...workbench.plan.rates, [currency]: value } },
              `rate of ${currency}`,
            )}
        />{/snippet}
      {#snippet prove()}
        {#if parts.front.length > 0}<CostArrival
            front={parts.front}
            budget={plan.budget?.most ?? null}
            days={plan.readyInDays ?? null}
            currency={parts.currency}
          />{:else}<span class="unit">Nothing to order: all of it is in the drawer.</span>{/if}
      {/snippet}
    </Row>
    {#each parts.noLead as ends (ends)}
      <Row
        >{#snippet choose()}<Glyph severity="fault" />No lead of the plan has {ends} ends. Put a card of leads with them into
          the plan.{/snippet}</Row
      >
    {/each}
    {#each groups as group (group.name)}
      <Row head>
        {#snippet choose()}<span class="grow">{group.name}</span><span class="unit font-normal"
            >{counted(group.lines.length, 'kind')}</span
          >{/snippet}
        {#snippet prove()}
          {#if group.sum}
            <span
              class="offer grid grid-cols-[9.5em_1fr_7em] gap-2 w-full items-center font-normal max-[1001px]:grid-cols-[1fr_1fr]"
              ><span class="unit">goods {money(group.sum.goods, '')}</span><span class="unit"
                >shipping {money(group.sum.shipping, '')}{group.sum.freeFrom === null
                  ? ''
                  : `, free from ${money(group.sum.freeFrom, '')}`}</span
              ><span class="value total text-right">{money(group.sum.goods + group.sum.shipping, parts.currency)}</span
              ></span
            >
          {/if}
        {/snippet}
      </Row>
      {#each group.lines as line (line.card)}{@render row(line)}{/each}
    {/each}
    <Row head>{#snippet choose()}Leads by ends and colour{/snippet}</Row>
    <Row>{#snippet choose()}<LeadCounts {parts} />{/snippet}</Row>
  {:else}<Working says="The boards are laid out, then what is to buy is counted." />{/if}
</Station>

{#snippet row(line: PartsLine)}
  <Row subjects={[line.card]}>
    {#snippet choose()}
      <span class="value w-[2em] text-right">{line.needed}</span>
      <span class="grow min-w-0 flex-1"
        >{line.name}<span class="unit truncate block text-aside" title={say(line.uses)}>{say(line.uses)}</span></span
      >
      <label class="unit"
        >drawer <input
          class="field value"
          type="number"
          min="0"
          step="1"
          style:width="4.4em"
          value={plan.stock[line.card] ?? 0}
          aria-label="{line.name} in the drawer"
          onchange={(event) => stock(line.card, event.currentTarget.value)}
        /></label
      >
    {/snippet}
    {#snippet prove()}
      {#if line.offer}
        <span class="offer grid grid-cols-[9.5em_1fr_7em] gap-2 w-full items-center max-[1001px]:grid-cols-[1fr_1fr]"
          ><span class="value">{line.packs} × {line.offer.pack === 1 ? 'piece' : `pack of ${line.offer.pack}`}</span
          ><span class="unit">{counted(line.offer.leadDays, 'day')}{line.offer.soldering ? ', to solder' : ''}</span
          ><span class="value total text-right">{money(line.total, '')}</span></span
        >
        {#if line.spares > 0}<span class="unit w-full text-aside"
            >{buys(line)}: enough work in {percent(line.chance)} of such orders</span
          >{/if}
      {:else if line.unsold}
        <span class="text-fault"
          >{line.unpriced.length > 0
            ? `offered in ${line.unpriced.join(' and ')} alone, which has no rate yet`
            : 'nobody offers it'}</span
        >
      {:else}
        <span class="unit">from the drawer</span>
      {/if}
      {#if parts?.late.includes(line.card)}<span class="text-fault">not to be had in time</span>{/if}
    {/snippet}
  </Row>
{/snippet}
