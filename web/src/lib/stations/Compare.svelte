<!-- Candidates for a need side by side; in a view of their own the whole sets. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { needName, serveNeed, swapCard } from '@idle-breadboard/core/plan';
  import { addPart } from '@idle-breadboard/core/solve';
  import { say } from '@idle-breadboard/core/words';
  import Copy from '@lucide/svelte/icons/copy';
  import Printer from '@lucide/svelte/icons/printer';
  import Station from '../kit/Station.svelte';
  import Views from '../kit/Views.svelte';
  import { comparable, comparedNeed, comparing, tableOf, tableText } from '../state/comparing.svelte';
  import { telling } from '../state/telling.svelte';
  import { view } from '../state/view.svelte';
  import { circuitNow } from '../state/circuit-now';
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
    const now = circuitNow();
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
    telling.say(`${card.name} serves ${say(needName(now.plan, need))}.`);
  }

  async function copy() {
    if (!table) return;
    try {
      await navigator.clipboard.writeText(tableText(table));
      telling.say('The table is on the clipboard.');
    } catch {
      telling.say('The browser does not give the clipboard to this page.');
    }
  }
</script>

<Station title="Compare" says="over the wanted range only" banks={false}>
  {#snippet tools()}
    {#if table && comparing.of === 'cards'}
      <Button onclick={copy}><Copy size={13} />Copy</Button>
      <Button onclick={() => window.print()}><Printer size={13} />Print</Button>
    {/if}
  {/snippet}
  <Views
    label="what is compared"
    views={[
      ['cards', 'cards for one need'],
      ['sets', 'whole sets'],
    ]}
    bind:value={comparing.of}
  >
    {#snippet beside(of)}
      {#if of === 'cards' && need && table}
        <Select
          label="need to compare for"
          class="max-w-[18em]"
          value={need.id}
          choices={needs.map((n) => ({ value: n.id, label: say(needName(circuit.plan, n)) }))}
          change={compareFor}
        />
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
        {#if table.others.length > 0}
          <Select
            label="show another card"
            value=""
            choices={table.others.map((card) => ({ value: card.id, label: card.name }))}
            change={(to) => comparing.show(to)}
            placeholder="show another card"
          />
        {/if}
        {#if comparing.pinned}<span class="unit">differences are against {table.cards[0]?.name}</span>{/if}
      {/if}
    {/snippet}
    {#snippet children(of)}
      {#if of === 'sets'}<Sets {circuit} />
      {:else if need && table}
        {#if table.cards.length > 0}<CompareTable {circuit} {need} {table} {serve} />
        {:else}<p class="unit p-2.5">
            No card of the catalogue meets it. Show one that does not, or widen the need.
          </p>{/if}
      {:else}<p class="unit p-2.5">Nothing is asked yet. Say at Need what must be sensed or shown.</p>{/if}
    {/snippet}
  </Views>
</Station>
