<!-- One part for each need and a controller: every set that nothing beats, to pick from. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { FIGURES, takeSet, type FoundSet } from '@idle-breadboard/core/solve';
  import Row from '../kit/Row.svelte';
  import SetSpread from '../charts/SetSpread.svelte';
  import { money } from '../kit/words';
  import { FIGURE_NAME, figureText, sets } from '../state/sets.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  let anyController = $state(false);
  const found = $derived(sets.front?.sets ?? []);
  const chosen = $derived(found[sets.chosen] ?? null);
  const old = $derived(sets.isOld(circuit.plan));
  const currency = $derived(circuit.plan.budget?.currency ?? '');

  function take(set: FoundSet) {
    if (!workbench.plan || sets.isOld(workbench.plan)) return;
    workbench.edit(takeSet(workbench.plan, workbench.library, set), 'take a whole set');
    view.say('The plan has the set. What it still needs stands among the findings.');
  }
</script>

<Row head>
  {#snippet choose()}
    <span class="grow">Whole sets <span class="unit font-normal">one part for each need, and a controller</span></span>
    <label class="inline-flex items-center font-normal"
      ><input type="checkbox" bind:checked={anyController} />any controller</label
    >
    {#if sets.running}
      <button type="button" class="act font-normal" onclick={() => sets.cancel()}>Cancel</button>
    {:else}
      <button type="button" class="act font-normal" onclick={() => sets.search(circuit, anyController)}>Search</button>
    {/if}
  {/snippet}
  {#snippet prove()}
    <span role="status" class="unit">
      {#if sets.running}{sets.progress}
      {:else if sets.front && sets.front.sets.length > 0}{sets.front.sets.length} that nothing beats, of {sets.front.covered.toLocaleString(
          'en',
        )}{sets.front.complete ? '' : '; given up before the end: ask for less at once'}
      {/if}
    </span>
  {/snippet}
</Row>
{#if sets.trouble}
  <Row>{#snippet choose()}<span role="alert">{sets.trouble}</span>{/snippet}</Row>
{/if}
{#if found.length > 0}
  <Row>
    {#snippet choose()}
      <div class="list" role="region" aria-label="sets that nothing beats">
        <table>
          <thead
            ><tr
              >{#each FIGURES as key (key)}<th scope="col"
                  ><button type="button" class="act bare" onclick={() => sets.sort(key)}>{FIGURE_NAME[key]}</button></th
                >{/each}<th><span class="sr-only">choose</span></th></tr
            ></thead
          >
          <tbody>
            {#each sets.order.slice(0, 60) as i (i)}
              {@const set = found[i]}
              {#if set}
                <tr class:chosen={i === sets.chosen}>
                  {#each FIGURES as key (key)}<td class="value"
                      >{key === 'cost'
                        ? money(set.evaluation.figures.cost, '')
                        : figureText(key, set.evaluation.figures[key])}</td
                    >{/each}
                  <td
                    ><button
                      type="button"
                      class="act bare"
                      aria-pressed={i === sets.chosen}
                      onclick={() => (sets.chosen = i)}>look</button
                    ></td
                  >
                </tr>
              {/if}
            {/each}
          </tbody>
        </table>
        {#if found.length > 60}<p class="unit m-0">the first 60 in this order</p>{/if}
      </div>
    {/snippet}
    {#snippet prove()}
      <SetSpread sets={found} chosen={sets.chosen} choose={(i) => (sets.chosen = i)} {currency} />
      {#if chosen}
        <div class="set">
          <p class="m-0">
            <span class="font-semibold">{chosen.controller.name}</span>;
            {#each chosen.evaluation.parts as part, i (i)}{part.option.card.name}
              <span class="unit">({part.place})</span>{i < chosen.evaluation.parts.length - 1 ? '; ' : ''}{/each}
          </p>
          {#if old}<p class="m-0" role="status">
              What is asked for has changed since these were found: search again before taking one.
            </p>{/if}
          <button type="button" class="act" disabled={old} onclick={() => take(chosen)}
            >Fill the plan with it, {money(chosen.evaluation.figures.cost, currency)}</button
          >
        </div>
      {/if}
    {/snippet}
  </Row>
{/if}

<style>
  .list {
    width: 100%;
    max-height: 360px;
    overflow: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    text-align: right;
    font-weight: 500;
  }
  td {
    text-align: right;
    padding: 1px 6px;
    border-bottom: 1px solid var(--line);
  }
  .chosen {
    background: var(--copper-soft);
    box-shadow: inset 3px 0 var(--copper);
  }
  .set {
    display: grid;
    gap: 6px;
    justify-items: start;
    padding: 4px 0 8px;
  }
</style>
