<script lang="ts">
  import { flushSync, onMount } from 'svelte';
  import { demoPlans, loadCatalogue } from '$lib/catalogue';
  import EmptyShelf from '$lib/frame/EmptyShelf.svelte';
  import Header from '$lib/frame/Header.svelte';
  import { onKey } from '$lib/frame/keys';
  import Stations from '$lib/frame/Stations.svelte';
  import Tray from '$lib/frame/Tray.svelte';
  import { logbook } from '$lib/state/logbook.svelte';
  import { laying } from '$lib/state/laying.svelte';
  import { proofsBySubject } from '$lib/state/proofs';
  import { triedResults } from '$lib/state/tried-results';
  import { view } from '$lib/state/view.svelte';
  import { workbench } from '$lib/state/workbench.svelte';
  import Need from '$lib/stations/Need.svelte';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  let picker = $state<HTMLInputElement>();
  const study = $derived(workbench.study);
  const proofs = $derived(study ? proofsBySubject(study.verdict) : new Map<string, never[]>());

  /** The stations where parts are chosen come when they are gone to: a plan that is checked does not wait for them. */
  let paper = $state<Awaited<ReturnType<typeof load>>['PrintComparison']>();
  const load = () => import('$lib/stations/choosing');
  let loaded: ReturnType<typeof load> | undefined;
  async function choosing() {
    const all = await (loaded ??= load());
    paper = all.PrintComparison;
    return all;
  }

  const loadElectric = () => import('$lib/stations/electric');
  let proved: ReturnType<typeof loadElectric> | undefined;
  const electric = () => (proved ??= loadElectric());

  const loadDelivering = () => import('$lib/stations/delivering');
  let delivered: ReturnType<typeof loadDelivering> | undefined;
  const delivering = () => (delivered ??= loadDelivering());
  const loadBringing = () => import('$lib/stations/bringing-up');
  let brought: ReturnType<typeof loadBringing> | undefined;
  let bringUpPaper = $state<Awaited<ReturnType<typeof loadBringing>>['PrintBringUp']>();
  async function bringingUp() {
    const all = await (brought ??= loadBringing());
    bringUpPaper = all.PrintBringUp;
    return all;
  }
  /** What goes on paper, there before paper is asked for: a print does not wait. */
  let sheet = $state<Awaited<ReturnType<typeof loadDelivering>>['PrintSheet']>();
  $effect(() => {
    if (study) {
      void laying.ask();
      void delivering().then(({ PrintSheet }) => (sheet = PrintSheet));
    }
  });

  // The tie point of the bring-up says whether something was measured.
  $effect(() => {
    if (workbench.plan) void logbook.open();
  });

  /** The sheet for paper is made when paper is wanted: at every edit it would cost as much as the screen. */
  let printing = $state(false);
  const setPrinting = (on: boolean) => flushSync(() => (printing = on));

  onMount(() => {
    const medium = window.matchMedia('print');
    const change = ({ matches }: MediaQueryListEvent) => setPrinting(matches);
    medium.addEventListener('change', change);
    return () => medium.removeEventListener('change', change);
  });

  onMount(async () => {
    await view.start();
    await workbench.start(await loadCatalogue(), async () => (data.demo ? demoPlans() : []));
  });

  async function take(files: FileList | null) {
    const file = files?.[0];
    if (!file) return;
    const taken = await workbench.importFile(file.name, await file.text());
    if (taken) view.say(`${workbench.plan?.name ?? 'The plan'} imported.`);
  }
</script>

<svelte:window onkeydown={onKey} onbeforeprint={() => setPrinting(true)} onafterprint={() => setPrinting(false)} />

<input
  hidden
  type="file"
  accept=".json,application/json"
  aria-label="plan file to import"
  bind:this={picker}
  onchange={async (event) => {
    const input = event.currentTarget;
    await take(input.files);
    input.value = '';
  }}
/>

<div class="bench screen-only" style="--split: {view.split}">
  <Header openFile={() => picker?.click()} />
  {#if !workbench.ready}
    <p class="unit m-auto" role="status">Opening the shelf</p>
  {:else if !workbench.plan}
    <main class="flex grow overflow-y-auto"><EmptyShelf openFile={() => picker?.click()} /></main>
  {:else}
    <div class="middle">
      <Stations />
      <main class="banks" id="banks">
        {#if study}
          {#if view.station === 'overview'}
            {#await import('$lib/stations/Overview.svelte') then { default: Overview }}<Overview
                circuit={study.circuit}
                verdict={study.verdict}
              />{/await}
          {:else if view.station === 'need'}<Need circuit={study.circuit} {proofs} />
          {:else if view.station === 'compare'}
            {#await choosing() then { Compare }}<Compare circuit={study.circuit} />{/await}
          {:else if view.station === 'control'}
            {#await choosing() then { Control }}<Control circuit={study.circuit} />{/await}
          {:else if view.station === 'levels'}
            {#await electric() then { Levels }}<Levels circuit={study.circuit} {proofs} />{/await}
          {:else if view.station === 'bus'}
            {#await electric() then { Bus }}<Bus circuit={study.circuit} {proofs} />{/await}
          {:else if view.station === 'pins'}
            {#await electric() then { Pins }}<Pins circuit={study.circuit} {proofs} />{/await}
          {:else if view.station === 'power'}
            {#await electric() then { Power }}<Power circuit={study.circuit} {proofs} />{/await}
          {:else if view.station === 'wiring'}
            {#await delivering() then { Wiring }}<Wiring circuit={study.circuit} />{/await}
          {:else if view.station === 'parts'}
            {#await delivering() then { Parts }}<Parts circuit={study.circuit} />{/await}
          {:else}
            {#await bringingUp() then { BringUp }}<BringUp circuit={study.circuit} />{/await}
          {/if}
          {#await import('$lib/frame/WorkingsTip.svelte') then { default: WorkingsTip }}<WorkingsTip
              tried={triedResults}
            />{/await}
        {/if}
      </main>
    </div>
    <p class="notice" class:sr-only={view.notice === ''} role="status">{view.notice}</p>
    <Tray />
  {/if}
</div>
{#if study && printing}
  {#if view.station === 'compare' && paper}
    {@const PrintComparison = paper}
    <PrintComparison circuit={study.circuit} />
  {:else if view.station === 'bring-up' && bringUpPaper}
    {@const PrintBringUp = bringUpPaper}
    <PrintBringUp />
  {:else if sheet}
    {@const PrintSheet = sheet}
    <PrintSheet {study} />
  {/if}
{/if}

{#if workbench.ready}
  {#await import('$lib/frame/Sheets.svelte') then { default: Sheets }}<Sheets
      openFile={() => picker?.click()}
    />{/await}
{/if}

<style>
  .bench {
    display: flex;
    position: relative;
    flex-direction: column;
    height: 100dvh;
    overflow: hidden;
  }
  .middle {
    display: grid;
    grid-template-columns: 124px minmax(0, 1fr);
    flex: 1;
    min-height: 0;
  }
  .banks {
    overflow-y: auto;
    overflow-x: hidden;
    min-width: 0;
    background: var(--board);
    /* What stays in sight while the rest is scrolled may be as high as this. */
    container: banks / size;
  }
  .notice {
    margin: 0;
    padding: 4px 12px;
    border-top: 1px solid var(--line);
    background: var(--copper-soft);
  }
  @media (max-width: 759px) {
    .middle {
      grid-template-columns: minmax(0, 1fr);
      grid-template-rows: auto minmax(0, 1fr);
    }
  }
</style>
