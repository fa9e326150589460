<!-- One part for each need and a controller: every set that nothing beats, to pick from. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { FIGURES, inOrder, takeSet, type FoundSet, type SetFigures } from '@idle-breadboard/core/solve';
  import { counted } from '@idle-breadboard/core/words';
  import { untrack } from 'svelte';
  import Row from '../kit/Row.svelte';
  import SetSpread from '../charts/SetSpread.svelte';
  import { money } from '../kit/words';
  import { FIGURE_NAME, figureText, sets } from '../state/sets.svelte';
  import { telling } from '../state/telling.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  let anyController = $state(false);
  /** More lines are not looked through. */
  const MOST = 60;
  const MERIT: Readonly<Record<keyof SetFigures, string>> = {
    cost: 'cheapest',
    error: 'most exact',
    current: 'least current',
    rows: 'smallest',
    arrival: 'soonest',
  };
  const found = $derived(sets.front?.sets ?? []);
  const chosen = $derived(found[sets.chosen] ?? null);
  const old = $derived(sets.isOld(circuit.plan));
  const currency = $derived(circuit.plan.budget?.currency ?? '');

  /** The set that is best in each figure. */
  const best = $derived(
    Object.fromEntries(FIGURES.map((key) => [key, found.findIndex((set) => set === inOrder(found, key)[0])])) as Record<
      keyof SetFigures,
      number
    >,
  );

  const where = ({ option, place }: FoundSet['evaluation']['parts'][number]) => `${option.card.id} ${place}`;
  /** What every set has: it tells none from another. */
  const shared = $derived(
    found
      .map(({ evaluation }) => new Set(evaluation.parts.map(where)))
      .reduce<ReadonlySet<string> | null>(
        (all, one) => (all ? new Set([...all].filter((w) => one.has(w))) : one),
        null,
      ),
  );
  const ownOf = ({ evaluation }: FoundSet) =>
    evaluation.parts.filter((part) => !shared?.has(where(part))).map(({ option }) => option.card.name);

  // Who comes here wants to see them.
  $effect(() => {
    untrack(() => {
      if (!sets.front && !sets.running) void sets.search(circuit, anyController);
    });
  });

  function take(set: FoundSet) {
    if (!workbench.plan || sets.isOld(workbench.plan)) return;
    workbench.edit(takeSet(workbench.plan, workbench.library, set), 'take a whole set');
    telling.say('The plan has the set. What it still needs stands among the findings.');
  }
</script>

<Row>
  {#snippet choose()}
    <span class="unit grow">one part for each need, and a controller</span>
    <label class="inline-flex items-center"><Tick bind:checked={anyController} />any controller</label>
    {#if sets.running}
      <Button onclick={() => sets.cancel()}>Cancel</Button>
    {:else}
      <Button onclick={() => sets.search(circuit, anyController)}>Search{found.length > 0 ? ' again' : ''}</Button>
    {/if}
  {/snippet}
  {#snippet prove()}
    <span role="status" class="unit">
      {#if sets.running}{sets.progress}
      {:else if sets.front && sets.front.sets.length > 0}{counted(sets.front.sets.length, 'set')} that nothing{sets
          .front.complete
          ? ''
          : ' found'} beats, of {sets.front.covered.toLocaleString('en')}{sets.front.complete
          ? ''
          : '; given up before the end, there may be better ones: ask for less at once'}
      {/if}
    </span>
  {/snippet}
</Row>
{#if sets.trouble}
  <Row>{#snippet choose()}<span role="alert">{sets.trouble}</span>{/snippet}</Row>
{/if}
{#if chosen}
  <Row>
    {#snippet choose()}
      <div class="set grid gap-1.5 justify-items-start w-full pt-1.5 pb-2">
        <div class="flex flex-wrap gap-1.5" role="group" aria-label="the best of each figure">
          {#each FIGURES as key (key)}<Button
              pressed="underlined"
              aria-pressed={best[key] === sets.chosen}
              onclick={() => (sets.chosen = best[key])}>{MERIT[key]}</Button
            >{/each}
        </div>
        <p class="text-group font-semibold">{chosen.controller.name}</p>
        <ul class="w-full">
          {#each chosen.evaluation.parts as part, i (i)}<li class="flex flex-wrap gap-x-2 py-0.5 border-t">
              <span class="grow">{part.option.card.name}</span><span class="unit">{part.place}</span>
            </li>{/each}
        </ul>
        {#if old}<p role="status">
            What is asked for has changed since these were found: search again before taking one.
          </p>{/if}
        <Button kind="first" disabled={old} onclick={() => take(chosen)}
          >Fill the plan with it, {money(chosen.evaluation.figures.cost, currency)}</Button
        >
      </div>
    {/snippet}
    {#snippet prove()}
      <SetSpread sets={found} chosen={sets.chosen} choose={(i) => (sets.chosen = i)} {currency} />
    {/snippet}
  </Row>
  <div class="overflow-x-auto" role="region" aria-label="sets that nothing beats">
    <table class="w-full">
      <thead
        ><tr
          ><th class="text-left font-medium w-1/3 py-1 px-2.5" scope="col"
            >controller, and the parts that not all have</th
          >{#each FIGURES as key (key)}<th
              class="text-right font-medium"
              scope="col"
              aria-sort={sets.sortedBy === key ? 'ascending' : undefined}
              ><Button kind="cell" class="justify-center text-right" onclick={() => (sets.sortedBy = key)}
                >{FIGURE_NAME[key]}{key === 'cost' && currency ? `, ${currency}` : ''}{sets.sortedBy === key
                  ? ' ▾'
                  : ''}</Button
              ></th
            >{/each}</tr
        ></thead
      >
      <tbody>
        {#each sets.order.slice(0, MOST) as i (i)}
          {@const set = found[i]}
          {#if set}
            <tr class="data-chosen:bg-copper-soft data-chosen:shadow-mark" data-chosen={i === sets.chosen || undefined}>
              <td class="px-2.5 border-t"
                ><Button
                  kind="cell"
                  class="justify-start text-left"
                  aria-pressed={i === sets.chosen}
                  onclick={() => (sets.chosen = i)}>{[set.controller.name, ...ownOf(set)].join(', ')}</Button
                ></td
              >
              {#each FIGURES as key (key)}<td class="value text-right align-top py-1 px-2.5 border-t"
                  >{key === 'cost'
                    ? money(set.evaluation.figures.cost, '')
                    : figureText(key, set.evaluation.figures[key])}</td
                >{/each}
            </tr>
          {/if}
        {/each}
      </tbody>
    </table>
    {#if found.length > MOST}<p class="unit px-2.5 py-1">the first {MOST} in this order</p>{/if}
  </div>
{/if}
