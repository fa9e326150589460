<script lang="ts">
  import { onMount, untrack } from 'svelte';
  import { demoPlans, loadCatalogue } from '$lib/catalogue';
  import { takeFile } from '$lib/kit/actions';
  import Header from '$lib/frame/Header.svelte';
  import { onFocus, onKey, onKeyFirst } from '$lib/frame/keys';
  import { readAddress } from '$lib/state/address';
  import { drawer } from '$lib/state/drawer.svelte';
  import { standing } from '$lib/state/standing.svelte';
  import { telling } from '$lib/state/telling.svelte';
  import { view } from '$lib/state/view.svelte';
  import { workbench } from '$lib/state/workbench.svelte';
  import { onNewer, openStore } from '$lib/store/open';
  import { fillShelf } from '$lib/store/shelved';
  import type { PageData } from './$types';

  let { data }: { data: PageData } = $props();
  let picker = $state<HTMLInputElement>();
  const openPlan = () => import('$lib/frame/open-plan');

  /** Whether the first screen is drawn, and nothing else is wanted: what may be wanted next is fetched then. */
  let shown = $state(false);
  let idle = $state(false);
  $effect(() => {
    if (!shown) return;
    const later = () => {
      idle = true;
      void openPlan();
      void import('$lib/frame/PlanMenu.svelte');
    };
    // Some browsers have no word for it.
    if ('requestIdleCallback' in window) requestIdleCallback(later, { timeout: 4000 });
    else setTimeout(later, 2000);
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
    // What is needed for the plan that the address names comes beside the store.
    if (readAddress(location.hash)?.plan) {
      void openPlan();
      workbench.warm();
    }
    const catalogue = fetchCatalogue();
    telling.onlyHere = await openStore();
    onNewer(() => (telling.newer = true));
    await Promise.all([view.start(), catalogue, fillShelf(async () => (data.demo ? demoPlans() : []))]);
    // Before a plan is there: from then on the address is written.
    const asked = view.look();
    await workbench.start(asked === 'as it is' ? undefined : asked);
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
  $effect(() => {
    const says = title;
    // After what is being drawn: the window's own bar is drawn with it, and again with every word.
    const wait = setTimeout(() => (document.title = says), 150);
    return () => clearTimeout(wait);
  });
</script>

<svelte:window
  onkeydowncapture={onKeyFirst}
  onkeydown={onKey}
  onfocusin={onFocus}
  onchange={onFocus}
  onhashchange={() => void view.follow()}
  onbeforeunload={(event) => {
    if (atRisk) event.preventDefault();
  }}
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
        {#await import('$lib/start/StartBuild.svelte') then { default: StartBuild }}<StartBuild
            shown={() => (shown = true)}
          />{/await}
      {:else}
        {#await import('$lib/start/ShelfPage.svelte') then { default: ShelfPage }}<ShelfPage
            openFile={() => picker?.click()}
            shown={() => (shown = true)}
          />{/await}
      {/if}
    </main>
    {@render word()}
  {:else}
    {#await openPlan() then { OpenPlan }}<OpenPlan {word} shown={() => (shown = true)} />{/await}
  {/if}
</div>
{#if workbench.plan}
  {#await openPlan() then { Papers }}<Papers {idle} />{/await}
{/if}

{#if workbench.ready && (idle || view.sheet !== null || workbench.refusal !== null)}
  {#await import('$lib/frame/Sheets.svelte') then { default: Sheets }}<Sheets
      openFile={() => picker?.click()}
    />{/await}
{/if}
