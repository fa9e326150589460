<!-- The screen while a plan is open: the stations' edge, the station, the strip. -->
<script lang="ts">
  import { onMount, tick, type Snippet } from 'svelte';
  import Button from '../kit/Button.svelte';
  import { bringingUp, choosing, delivering, electric, need, overview } from '../stations/rooms';
  import { laying } from '../state/laying.svelte';
  import { logbook } from '../state/logbook.svelte';
  import { proofsBySubject } from '../state/proofs';
  import { triedResults } from '../state/tried-results';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { setPlanKeys } from './keys';
  import { onPlanKey } from './plan-keys';
  import Stations from './Stations.svelte';
  import Strip from './Strip.svelte';

  let { word, shown }: { word: Snippet; /** Called once this is on the screen. */ shown: () => void } = $props();

  const study = $derived(workbench.study);
  const proofs = $derived(study ? proofsBySubject(study.verdict) : new Map<string, never[]>());

  // Fetched while the plan is worked out.
  if (view.station === 'overview') void overview();

  onMount(() => {
    shown();
    setPlanKeys(onPlanKey);
    return () => setPlanKeys(null);
  });
  // A row that moves with the verdict takes the focus out of itself: it is given back.
  $effect.pre(() => {
    const had = study && document.activeElement;
    if (!(had instanceof HTMLElement) || had === document.body) return;
    void tick().then(() => {
      if (document.activeElement === document.body && had.isConnected) had.focus({ preventScroll: true });
    });
  });
  $effect(() => {
    if (workbench.stale) laying.hold();
    else if (study) laying.askSoon();
  });
  // The tie point of the bring-up says whether something was measured.
  $effect(() => {
    if (workbench.plan) void logbook.open();
  });
</script>

<div
  class="grid grid-cols-[124px_minmax(0,1fr)] flex-1 min-h-0 max-desk:grid-cols-1 max-desk:grid-rows-[auto_minmax(0,1fr)]"
>
  <Stations />
  <!-- Where something is as tall as a share of the banks; it makes every layout dearer, so that it is for these alone. -->
  <main
    class="overflow-y-auto overflow-x-hidden min-w-0 bg-board data-shares:[container:banks_/_size]"
    data-shares={view.station === 'wiring' || view.station === 'bring-up' || undefined}
    id="banks"
    tabindex="-1"
  >
    {#if workbench.trouble}
      {#await import('./Unworkable.svelte') then { default: Unworkable }}<Unworkable />{/await}
    {:else if study}
      {#key view.station}<svelte:boundary>
          {#if view.station === 'overview'}
            {#await overview() then { default: Overview }}<Overview
                circuit={study.circuit}
                verdict={study.verdict}
              />{/await}
          {:else if view.station === 'need'}
            {#await need() then { default: Need }}<Need circuit={study.circuit} {proofs} />{/await}
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
      {#await import('./WorkingsTip.svelte') then { default: WorkingsTip }}<WorkingsTip tried={triedResults} />{/await}
    {/if}
  </main>
</div>
{@render word()}
<Strip />
