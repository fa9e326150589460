<!-- What goes on paper of the open plan, made when paper is wanted: at every edit it would cost as much as the screen. -->
<script lang="ts">
  import { flushSync, onMount } from 'svelte';
  import { bringingUp, choosing, delivering } from '../stations/rooms';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  /** Whether what the screen needs is there, so that other things may be fetched. */
  let { idle }: { idle: boolean } = $props();

  const study = $derived(workbench.study);
  let printing = $state(false);
  const setPrinting = (on: boolean) => flushSync(() => (printing = on));

  let plan = $state<Awaited<ReturnType<typeof delivering>>['PrintSheet']>();
  let comparison = $state<Awaited<ReturnType<typeof choosing>>['PrintComparison']>();
  let bringUp = $state<Awaited<ReturnType<typeof bringingUp>>['PrintBringUp']>();
  // There before paper is asked for: a print does not wait.
  $effect(() => {
    if (!idle) return;
    void delivering().then(({ PrintSheet }) => (plan = PrintSheet));
    if (view.station === 'compare') void choosing().then(({ PrintComparison }) => (comparison = PrintComparison));
    if (view.station === 'bring-up') void bringingUp().then(({ PrintBringUp }) => (bringUp = PrintBringUp));
  });

  onMount(() => {
    const medium = window.matchMedia('print');
    const change = ({ matches }: MediaQueryListEvent) => setPrinting(matches);
    medium.addEventListener('change', change);
    return () => medium.removeEventListener('change', change);
  });
</script>

<svelte:window onbeforeprint={() => setPrinting(true)} onafterprint={() => setPrinting(false)} />

{#if study && printing}
  {#if view.station === 'compare' && comparison}
    {@const PrintComparison = comparison}
    <PrintComparison circuit={study.circuit} />
  {:else if view.station === 'bring-up' && bringUp}
    {@const PrintBringUp = bringUp}
    <PrintBringUp />
  {:else if plan}
    {@const PrintSheet = plan}
    <PrintSheet {study} />
  {/if}
{/if}
