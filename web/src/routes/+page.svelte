<script lang="ts">
  import { flushSync, onMount, untrack } from 'svelte';
  import { demoPlans, loadCatalogue } from '$lib/catalogue';
  import Button from '$lib/kit/Button.svelte';
  import { takeFile } from '$lib/kit/actions';
  import Header from '$lib/frame/Header.svelte';
  import { onFocus, onKey, onKeyFirst } from '$lib/frame/keys';
  import Stations from '$lib/frame/Stations.svelte';
  import Strip from '$lib/frame/Strip.svelte';
  import { logbook } from '$lib/state/logbook.svelte';
  import { laying } from '$lib/state/laying.svelte';
  import { drawer } from '$lib/state/drawer.svelte';
  import { proofsBySubject } from '$lib/state/proofs';
  import { standing } from '$lib/state/standing.svelte';
  import { triedResults } from '$lib/state/tried-results';
  import { telling } from '$lib/state/telling.svelte';
  import { view } from '$lib/state/view.svelte';
  import { workbench } from '$lib/state/workbench.svelte';
  import { onNewer, openStore } from '$lib/store/open';
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

  /** Set once the first screen is drawn and nothing else is wanted: what may be wanted next is fetched then. */
  let idle = $state(false);
  $effect(() => {
    if (!workbench.ready) return;
    const later = () => (idle = true);
    // Some browsers have no word for it.
    if ('requestIdleCallback' in window) requestIdleCallback(later, { timeout: 4000 });
    else setTimeout(later, 2000);
  });

  onMount(() => {
    const medium = window.matchMedia('print');
    const change = ({ matches }: MediaQueryListEvent) => setPrinting(matches);
    medium.addEventListener('change', change);
    return () => medium.removeEventListener('change', change);
  });

  /** Without the catalogue everything else works: it is told, and asked for again. */
  async function fetchCatalogue() {
    try {
      drawer.shipped(await loadCatalogue());
      telling.noCatalogue = '';
    } catch (error) {
      telling.noCatalogue = error instanceof Error ? error.message : String(error);
    }
  }

  onMount(async () => {
    telling.onlyHere = await openStore();
    onNewer(() => (telling.newer = true));
    await Promise.all([view.start(), fetchCatalogue()]);
    // Before a plan is there: from then on the address is written.
    const asked = view.look();
    await workbench.start(async () => (data.demo ? demoPlans() : []), asked === 'as it is' ? undefined : asked);
  });

  // Only the plan: whatever else is looked at writes its address itself.
  $effect(() => {
    void workbench.plan?.id;
    if (workbench.ready) untrack(() => view.keepAddress());
  });

  const { saving } = workbench;
  const hasTrouble = $derived(
    Boolean(telling.onlyHere ?? saving.trouble) || telling.newer || telling.noCatalogue !== '' || telling.apart !== '',
  );
  /** Work that would be lost with the tab. */
  let changedHere = $state(false);
  const atRisk = $derived(saving.trouble !== null || (saving.unsaved > 0 && telling.newer) || changedHere);
  $effect(() => {
    if (telling.onlyHere && workbench.canUndo) changedHere = true;
  });

  /** The window says which plan is open and how it stands. */
  const title = $derived(
    [workbench.plan?.name, workbench.plan && standing.words, 'Idle Breadboard'].filter(Boolean).join(' · '),
  );
</script>

<svelte:head><title>{title}</title></svelte:head>
<svelte:window
  onkeydowncapture={onKeyFirst}
  onkeydown={onKey}
  onfocusin={onFocus}
  onchange={onFocus}
  onhashchange={() => void view.follow()}
  onbeforeunload={(event) => {
    if (atRisk) event.preventDefault();
  }}
  onbeforeprint={() => setPrinting(true)}
  onafterprint={() => setPrinting(false)}
  onunhandledrejection={({ reason }) =>
    telling.say(
      `Something that was asked for failed. The program says: ${reason instanceof Error ? reason.message : String(reason)}`,
    )}
/>

<input
  hidden
  type="file"
  accept=".json,application/json,.zip,application/zip"
  aria-label="plan file to import"
  bind:this={picker}
  onchange={async (event) => {
    const input = event.currentTarget;
    const file = input.files?.[0];
    if (file) await takeFile(file);
    input.value = '';
  }}
/>

{#snippet word()}
  <p class="notice py-1 px-3 border-t bg-copper-soft" class:sr-only={telling.word === ''} role="status">
    {telling.word}
  </p>
{/snippet}

<div class="bench screen-only flex relative flex-col h-[100dvh] overflow-hidden" style="--split: {view.split}">
  <Header openFile={() => picker?.click()} />
  {#if hasTrouble}
    {#await import('$lib/frame/Troubles.svelte') then { default: Troubles }}<Troubles {fetchCatalogue} />{/await}
  {/if}
  {#if !workbench.ready}
    <p class="unit m-auto" role="status">Opening the shelf</p>
  {:else if !workbench.plan}
    <main class="grow overflow-y-auto" tabindex="-1">
      {#if view.starting}
        {#await import('$lib/start/StartBuild.svelte') then { default: StartBuild }}<StartBuild />{/await}
      {:else}
        {#await import('$lib/start/ShelfPage.svelte') then { default: ShelfPage }}<ShelfPage
            openFile={() => picker?.click()}
          />{/await}
      {/if}
    </main>
    {@render word()}
  {:else}
    <div
      class="grid grid-cols-[124px_minmax(0,1fr)] flex-1 min-h-0 max-desk:grid-cols-1 max-desk:grid-rows-[auto_minmax(0,1fr)]"
    >
      <Stations />
      <main
        class="overflow-y-auto overflow-x-hidden min-w-0 bg-board [container:banks_/_size]"
        id="banks"
        tabindex="-1"
      >
        {#if workbench.trouble}
          {#await import('$lib/frame/Unworkable.svelte') then { default: Unworkable }}<Unworkable />{/await}
        {:else if study}
          {#key view.station}<svelte:boundary>
              {#if view.station === 'overview'}
                {#await import('$lib/stations/Overview.svelte') then { default: Overview }}<Overview
                    circuit={study.circuit}
                    verdict={study.verdict}
                  />{/await}
              {:else if view.station === 'need'}
                {#await import('$lib/stations/Need.svelte') then { default: Need }}<Need
                    circuit={study.circuit}
                    {proofs}
                  />{/await}
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
              {#snippet failed(error, again)}
                <div class="grid gap-3 justify-items-start p-6" role="alert">
                  <p>
                    This station could not be shown, which should never happen. The program says:
                    <span class="value">{error instanceof Error ? error.message : String(error)}</span>
                  </p>
                  <p>The plan is as it was, and the other stations go on.</p>
                  <Button onclick={again}>Try again</Button>
                </div>
              {/snippet}
            </svelte:boundary>{/key}
          {#await import('$lib/frame/WorkingsTip.svelte') then { default: WorkingsTip }}<WorkingsTip
              tried={triedResults}
            />{/await}
        {/if}
      </main>
    </div>
    {@render word()}
    <Strip />
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

{#if workbench.ready && (idle || view.sheet !== null || workbench.refusal !== null)}
  {#await import('$lib/frame/Sheets.svelte') then { default: Sheets }}<Sheets
      openFile={() => picker?.click()}
    />{/await}
{/if}
