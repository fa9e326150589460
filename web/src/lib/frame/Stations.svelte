<!-- The stations are tie points down the edge: hollow, filled, or ringed with a count. -->
<script lang="ts">
  import { logbook } from '../state/logbook.svelte';
  import { findings } from '../state/results';
  import { STATIONS, view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const decided = $derived.by(() => {
    const circuit = workbench.study?.circuit;
    if (!circuit) return new Set<string>();
    const done = new Set<string>();
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
    findings().filter(
      (r) => r.station === id && (r.severity === 'danger' || r.severity === 'fault' || r.severity === 'caution'),
    );
</script>

<nav class="screen-only" aria-label="stations" bind:this={edge}>
  {#each STATIONS as station (station.id)}
    {@const open = grave(station.id)}
    {@const worst = open[0]?.severity}
    <button
      type="button"
      aria-current={view.station === station.id ? 'page' : undefined}
      onclick={() => view.goTo(station.id)}
    >
      <svg viewBox="0 0 22 22" width="22" height="22" aria-hidden="true">
        {#if open.length > 0}
          <circle cx="11" cy="11" r="9.2" fill="none" stroke="var(--{worst})" stroke-width="2" />
          <text x="11" y="14.8" text-anchor="middle" fill="var(--{worst})">{open.length}</text>
        {:else if decided.has(station.id)}
          <circle cx="11" cy="11" r="5.4" fill="var(--copper)" />
        {:else}
          <circle cx="11" cy="11" r="4.8" fill="none" stroke="var(--quiet)" stroke-width="1.6" />
        {/if}
      </svg>
      <span class="value key">{station.key}</span>
      <span>{station.name}</span>
      {#if open.length > 0}<span class="sr-only">, {open.length} to settle</span>{/if}
    </button>
  {/each}
</nav>

<style>
  nav {
    display: flex;
    flex-direction: column;
    padding: 8px 0;
    border-right: 1px solid var(--line);
    background: var(--bench);
    overflow-y: auto;
  }
  button {
    border: 0;
    background: transparent;
    font: inherit;
    text-align: left;
    display: flex;
    align-items: center;
    gap: 7px;
    min-height: 34px;
    padding: 0 10px;
    color: var(--ink);
  }
  button:hover {
    background: var(--copper-soft);
  }
  button[aria-current] {
    background: var(--board);
    font-weight: 680;
    box-shadow: inset 3px 0 var(--copper);
  }
  svg {
    flex: none;
  }
  .key {
    color: var(--quiet);
    font-size: 0.85rem;
  }
  text {
    font: 700 11px var(--font-mono);
  }
  @media (max-width: 759px) {
    nav {
      flex-direction: row;
      overflow-x: auto;
      padding: 0;
      border-right: 0;
      border-bottom: 1px solid var(--line);
    }
    button {
      flex: none;
    }
    button[aria-current] {
      box-shadow: inset 0 -3px var(--copper);
    }
    .key {
      display: none;
    }
  }
</style>
