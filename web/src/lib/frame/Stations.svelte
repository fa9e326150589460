<!-- The stations are tie points down the edge: hollow, filled, or ringed with a count. -->
<script lang="ts">
  import { isBlocking } from '@idle-breadboard/core/verify';
  import { logbook } from '../state/logbook.svelte';
  import { findings } from '../state/results';
  import { STATIONS } from '../state/view-ids';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const decided = $derived.by(() => {
    const circuit = workbench.study?.circuit;
    if (!circuit) return new Set<string>();
    const done = new Set<string>();
    if (circuit.plan.parts.length > 0) done.add('overview');
    if (circuit.plan.needs.length > 0) done.add('need');
    if (circuit.plan.parts.some(({ needs }) => needs.length > 0)) done.add('compare');
    if (circuit.controller) done.add('control');
    if (circuit.nets.some(({ ends }) => ends.length > 1)) done.add('levels');
    if (circuit.buses.some(({ members }) => members.length > 0)) done.add('bus');
    if (circuit.wishes.some(({ pin }) => pin !== null)) done.add('pins');
    if (circuit.rails.size > 0) done.add('power');
    if (circuit.plan.done.length > 0) done.add('wiring');
    if (circuit.plan.parts.length > 0) done.add('parts');
    if (logbook.entries.some(({ kind, by }) => kind === 'measured' && by !== 'bench')) done.add('bring-up');
    return done;
  });
  let edge = $state<HTMLElement>();

  // Where the stations lie in a strip, the one in use is brought into sight.
  $effect(() => {
    const at = STATIONS.findIndex(({ id }) => id === view.station);
    edge?.children[at]?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });

  const grave = (id: string) =>
    findings().filter((r) => r.station === id && (isBlocking(r) || r.severity === 'caution'));
</script>

<nav
  class="screen-only flex flex-col py-2 border-r bg-bench overflow-y-auto max-desk:flex-row max-desk:overflow-x-auto max-desk:p-0 max-desk:border-r-0 max-desk:border-b max-desk:border-b-line"
  aria-label="stations"
  bind:this={edge}
>
  {#each STATIONS as station (station.id)}
    {@const open = grave(station.id)}
    {@const worst = open[0]?.severity}
    <button
      class="text-left flex items-center gap-2 min-h-8.5 px-2.5 text-ink max-desk:flex-none hover:bg-copper-soft aria-[current]:bg-board aria-[current]:font-semibold aria-[current]:shadow-mark max-desk:aria-[current]:shadow-[inset_0_-3px_var(--copper)]"
      type="button"
      aria-current={view.station === station.id ? 'page' : undefined}
      onclick={() => view.goTo(station.id)}
    >
      <svg class="flex-none" viewBox="0 0 22 22" width="22" height="22" aria-hidden="true">
        {#if open.length > 0}
          <circle cx="11" cy="11" r="9.2" fill="none" stroke="var(--{worst})" stroke-width="2" />
          <text class="font-semibold text-mark font-mono" x="11" y="14.8" text-anchor="middle" fill="var(--{worst})"
            >{open.length}</text
          >
        {:else if decided.has(station.id)}
          <circle cx="11" cy="11" r="5.4" fill="var(--copper)" />
        {:else}
          <circle cx="11" cy="11" r="4.8" fill="none" stroke="var(--quiet)" stroke-width="1.6" />
        {/if}
      </svg>
      <span class="value key text-quiet text-aside max-desk:hidden">{station.key}</span>
      <span>{station.name}</span>
      {#if open.length > 0}<span class="sr-only">, {open.length} to settle</span>{/if}
    </button>
  {/each}
</nav>
