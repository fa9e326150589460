<!-- One part for each need and a controller: every set that nothing beats, to pick from. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
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
    <label class="inline-flex items-center font-normal"><Tick bind:checked={anyController} />any controller</label>
    {#if sets.running}
      <Button class="font-normal" onclick={() => sets.cancel()}>Cancel</Button>
    {:else}
      <Button class="font-normal" onclick={() => sets.search(circuit, anyController)}>Search</Button>
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
      <div class="w-full max-h-90 overflow-auto" role="region" aria-label="sets that nothing beats">
        <table class="w-full">
          <thead
            ><tr
              >{#each FIGURES as key (key)}<th class="text-right font-medium" scope="col"
                  ><Button kind="bare" onclick={() => sets.sort(key)}>{FIGURE_NAME[key]}</Button></th
                >{/each}<th class="text-right font-medium"><span class="sr-only">choose</span></th></tr
            ></thead
          >
          <tbody>
            {#each sets.order.slice(0, 60) as i (i)}
              {@const set = found[i]}
              {#if set}
                <tr
                  class="data-chosen:bg-copper-soft data-chosen:shadow-mark"
                  data-chosen={i === sets.chosen || undefined}
                >
                  {#each FIGURES as key (key)}<td class="value text-right py-px px-1.5 border-b border-b-line"
                      >{key === 'cost'
                        ? money(set.evaluation.figures.cost, '')
                        : figureText(key, set.evaluation.figures[key])}</td
                    >{/each}
                  <td class="text-right py-px px-1.5 border-b"
                    ><Button kind="bare" aria-pressed={i === sets.chosen} onclick={() => (sets.chosen = i)}>look</Button
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
        <div class="set grid gap-1.5 justify-items-start pt-1 pb-2">
          <p class="m-0">
            <span class="font-semibold">{chosen.controller.name}</span>;
            {#each chosen.evaluation.parts as part, i (i)}{part.option.card.name}
              <span class="unit">({part.place})</span>{i < chosen.evaluation.parts.length - 1 ? '; ' : ''}{/each}
          </p>
          {#if old}<p class="m-0" role="status">
              What is asked for has changed since these were found: search again before taking one.
            </p>{/if}
          <Button disabled={old} onclick={() => take(chosen)}
            >Fill the plan with it, {money(chosen.evaluation.figures.cost, currency)}</Button
          >
        </div>
      {/if}
    {/snippet}
  </Row>
{/if}
