<!-- Candidates for a need side by side; across the channel the whole sets. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { needName, serveNeed, swapCard } from '@idle-breadboard/core/plan';
  import { addPart } from '@idle-breadboard/core/solve';
  import { say } from '@idle-breadboard/core/words';
  import Copy from '@lucide/svelte/icons/copy';
  import Printer from '@lucide/svelte/icons/printer';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { comparable, comparedNeed, comparing, tableOf, tableText } from '../state/comparing.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import CompareTable from './CompareTable.svelte';
  import Sets from './Sets.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const needs = $derived(comparable(circuit));
  const need = $derived(comparedNeed(circuit));
  const table = $derived(need ? tableOf(circuit, need) : null);

  function compareFor(id: string) {
    comparing.reset();
    view.compared = id;
  }

  /** Puts the card in place of the one that serves the need, or adds it. */
  function serve(cardId: string) {
    const card = workbench.library.get(cardId);
    const now = workbench.circuit();
    if (!card || !now || !need) return;
    const serving = now.plan.parts.find((part) => part.needs.includes(need.id));
    const old = serving && now.cards.get(serving.card);
    const label = need.kind === 'sense' ? `${need.place} ${need.quantity}` : card.name;
    const plan =
      serving && old && serving.needs.length === 1
        ? swapCard(now.plan, serving.id, old, card)
        : addPart(
            { ...now, plan: serving ? serveNeed(now.plan, need.id, serving.id, false) : now.plan },
            workbench.library,
            card,
            label,
            [need.id],
          ).plan;
    workbench.edit(plan, `take ${card.name}`);
    view.say(`${card.name} serves ${say(needName(now.plan, need))}.`);
  }

  async function copy() {
    if (!table) return;
    try {
      await navigator.clipboard.writeText(tableText(table));
      view.say('The table is on the clipboard.');
    } catch {
      view.say('The browser does not give the clipboard to this page.');
    }
  }
</script>

<Station title="Compare" says="over the wanted range only">
  {#snippet tools()}
    {#if table}
      <Button onclick={copy}><Copy size={13} />Copy</Button>
      <Button onclick={() => window.print()}><Printer size={13} />Print</Button>
    {/if}
  {/snippet}
  {#if need && table}
    <Row>
      {#snippet choose()}
        <select
          class="field max-w-[15em]"
          aria-label="need to compare for"
          value={need.id}
          onchange={(e) => compareFor(e.currentTarget.value)}
        >
          {#each needs as n (n.id)}<option value={n.id}>{say(needName(circuit.plan, n))}</option>{/each}
        </select>
        <label class="inline-flex items-center"><Tick bind:checked={comparing.onlyDifferences} />differences only</label
        >
        <input
          class="field"
          style:width="8em"
          type="search"
          aria-label="find a line"
          placeholder="find a line"
          bind:value={comparing.word}
        />
      {/snippet}
      {#snippet prove()}
        {#if table.others.length > 0}
          <select
            class="field"
            aria-label="show another card"
            value=""
            onchange={(e) => {
              comparing.show(e.currentTarget.value);
              e.currentTarget.value = '';
            }}
          >
            <option value="">show another card</option>
            {#each table.others as card (card.id)}<option value={card.id}>{card.name}</option>{/each}
          </select>
        {/if}
        {#if comparing.pinned}<span class="unit">differences are against {table.cards[0]?.name}</span>{/if}
      {/snippet}
    </Row>
    {#if table.cards.length > 0}<div class="relative z-3"><CompareTable {circuit} {need} {table} {serve} /></div>
    {:else}<Row
        >{#snippet choose()}<span class="unit"
            >No card of the catalogue meets it. Show one that does not, or widen the need.</span
          >{/snippet}</Row
      >{/if}
  {:else}
    <Row
      >{#snippet choose()}<span class="unit">Nothing is asked yet. Say at Need what must be sensed or shown.</span
        >{/snippet}</Row
    >
  {/if}
  <Sets {circuit} />
</Station>
