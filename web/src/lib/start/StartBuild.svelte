<!-- Start my build: picks on the left, the sentences that they make on the right, then whole sets. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import Button from '../kit/Button.svelte';
  import SearchField from '../kit/SearchField.svelte';
  import TextField from '../kit/TextField.svelte';
  import { starting } from '../state/starting.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import FeedPick from './FeedPick.svelte';
  import { found, GROUPS, pickables, type Pickable, RELAY } from './pickables';
  import PickedLine from './PickedLine.svelte';
  import PlacePick from './PlacePick.svelte';
  import SetOffers from './SetOffers.svelte';
  import StockPick from './StockPick.svelte';

  const HEADS = { sense: 'It senses', show: 'It shows', drive: 'It drives', operate: 'It is operated by' } as const;
  let { shown }: { /** Called once this is on the screen. */ shown: () => void } = $props();
  let search = $state('');
  const offered = $derived(pickables(workbench.library));
  const hits = $derived(found(offered, search));
  let field = $state<HTMLInputElement>();
  onMount(() => {
    shown();
    field?.focus();
  });

  function enter() {
    const [first] = hits;
    // With nothing more to find, one goes on.
    if (search.trim() === '') void starting.search();
    else if (first) {
      add(first, new RegExp(`\\b${RELAY}`, 'i').test(search));
      search = '';
    }
  }
  const countOf = ({ name }: Pickable) => starting.picked.filter((one) => one.name === name).length;
  const add = (one: Pickable, relay = false) =>
    starting.add(one.name, one.drawing, (place) => {
      const pick = one.pick(place);
      return pick.kind === 'load' && relay ? { ...pick, by: 'contact' } : pick;
    });
</script>

<section class="mx-auto max-w-[1240px] px-5 py-4 max-desk:px-3" aria-label="start my build">
  <header class="flex flex-wrap items-baseline gap-x-4 gap-y-1 mb-3">
    <h1 class="text-title font-semibold">Start my build</h1>
    <span class="text-quiet">pick what it is to do; change anything later</span>
    <span class="ml-auto"
      >called <TextField
        label="name of the build"
        value={starting.name}
        change={(name) => (starting.name = name)}
      /></span
    >
    <Button kind="bare" onclick={() => void view.leave()}>back to the shelf</Button>
  </header>
  <div class="grid grid-cols-[minmax(0,6fr)_minmax(0,6fr)] gap-7 max-desk:grid-cols-1">
    <div>
      <SearchField
        bind:value={search}
        bind:ref={field}
        class="mb-2"
        label="find what it is to do"
        placeholder="find: soil, display, fan … Enter takes the first; Enter on nothing finds whole sets"
        {enter}
      />
      {#if hits.length === 0}<p class="text-quiet" role="status">
          Nothing on sale does that. A part of your own can be entered in the catalogue.
        </p>{/if}
      {#each GROUPS as group (group)}
        {@const of = hits.filter((one) => one.group === group)}
        {#if of.length > 0}
          <h2 class="mt-2 mb-1 text-group font-semibold">{HEADS[group]}</h2>
          <ul class="grid grid-cols-[repeat(auto-fill,minmax(168px,1fr))] gap-1.5" aria-label={HEADS[group]}>
            {#each of as one (one.id)}
              <li>
                <button
                  type="button"
                  class="grid grid-cols-[40px_minmax(0,1fr)_auto] items-center gap-1.5 w-full h-full min-h-10 px-1.5 rounded-sm border border-line bg-raised text-left hover:border-copper hover:bg-copper-soft data-picked:border-copper data-picked:shadow-mark"
                  data-pick={one.id}
                  data-picked={countOf(one) > 0 || undefined}
                  onclick={() => add(one)}
                >
                  <svg
                    viewBox="0 0 48 32"
                    class="w-10 h-7 fill-none stroke-current stroke-[1.3] text-ink"
                    aria-hidden="true"><path d={one.drawing} /></svg
                  >
                  <span class="leading-[1.15]">{one.name}</span>
                  <span class="value text-copper font-semibold">{countOf(one) || ''}</span>
                </button>
              </li>
            {/each}
          </ul>
        {/if}
      {/each}
    </div>
    <div class="self-start sticky top-2 max-h-[calc(100dvh-70px)] overflow-y-auto max-desk:static max-desk:max-h-none">
      <h2 class="mb-1 text-group font-semibold">It will</h2>
      {#if starting.picked.length === 0}
        <p class="text-quiet border-y py-2">Nothing is picked yet. Each pick becomes a sentence here.</p>
      {:else}
        <ul class="border-t" aria-label="what is picked">
          {#each starting.picked as one, i (one.id)}<PickedLine {one} need={starting.draft.needs[i] ?? null} />{/each}
        </ul>
        <h2 class="mt-4 mb-1 text-group font-semibold">Where</h2>
        <ul class="border-t" aria-label="places">
          {#each starting.usedPlaces as name (name)}<PlacePick {name} />{/each}
        </ul>
      {/if}
      <h2 class="mt-4 mb-1 text-group font-semibold">Fed from</h2>
      <FeedPick />
      <h2 class="mt-4 mb-1 text-group font-semibold">In my drawer</h2>
      <StockPick />
      <SetOffers />
    </div>
  </div>
</section>
