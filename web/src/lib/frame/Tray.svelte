<!-- The tray: findings worst first, the sum of the one in hand, its remedies; at the right end the verdict. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import { SEVERITIES, type Severity } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import { mending } from '../state/mending.svelte';
  import { findings } from '../state/results';
  import { STATIONS, view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import ProofDetail from './ProofDetail.svelte';
  import VerdictButton from './VerdictButton.svelte';

  const verdict = $derived(workbench.study?.verdict);
  const count = (severity: Severity) => findings().filter((r) => r.severity === severity).length;
  const stationName = $derived(STATIONS.find(({ id }) => id === view.station)?.name ?? '');
  let list = $state<HTMLElement>();

  $effect(() => {
    if (view.result) list?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' });
  });
</script>

<section class="tray screen-only" aria-label="findings">
  {#if view.trayOpen}
    <div class="open">
      <div class="list" bind:this={list}>
        {#each view.groups as group (group[0]?.key)}
          {@const finding = group.find(({ key }) => key === view.result?.key) ?? group[0]}
          {#if finding}
            <button
              type="button"
              class="line"
              aria-current={view.result?.key === finding.key ? 'true' : undefined}
              title={say(finding.message)}
              onclick={() => view.select(finding)}
            >
              <Glyph severity={finding.severity} /><span class="text">{say(finding.message)}</span>
              {#if group.length > 1}<span class="alike">+{group.length - 1} alike</span>{/if}
            </button>
          {/if}
        {:else}
          <p class="empty unit">
            {view.scope === 'station' ? `Nothing to settle at ${stationName}.` : 'Nothing to settle.'}
          </p>
        {/each}
      </div>
      <!-- What is longer than its place is read by the keyboard as well, where no remedy takes the focus. -->
      <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
      <div class="detail" role="region" aria-label="sum and remedies" tabindex="0"><ProofDetail /></div>
    </div>
  {/if}
  <div class="bar">
    <button
      type="button"
      class="act bare"
      aria-expanded={view.trayOpen}
      aria-label={view.trayOpen ? 'close the tray' : 'open the tray'}
      onclick={() => (view.trayOpen = !view.trayOpen)}
    >
      {#if view.trayOpen}<ChevronDown size={16} />{:else}<ChevronUp size={16} />{/if}
    </button>
    {#each SEVERITIES as severity (severity)}
      <span class="count" class:none={count(severity) === 0}
        ><Glyph {severity} label={false} /><span class="value">{count(severity)}</span> {severity}</span
      >
    {/each}
    <span class="scope" role="group" aria-label="which findings">
      <button type="button" class="act bare" aria-pressed={view.scope === 'all'} onclick={() => (view.scope = 'all')}
        >all</button
      >
      <!-- The picture of all has no findings of its own. -->
      {#if view.station !== 'overview'}<button
          type="button"
          class="act bare"
          aria-pressed={view.scope === 'station'}
          onclick={() => (view.scope = 'station')}>{stationName} only</button
        >{/if}
    </span>
    <span class="sentence">{say(view.trayOpen ? '' : (view.result?.message ?? ''))}</span>
    {#if verdict?.status === 'open' && verdict.findings.length > 0}
      <button type="button" class="act" title="m" disabled={workbench.stale} onclick={() => void mending.open()}
        >Mend all</button
      >
    {/if}
    <VerdictButton />
  </div>
</section>

<style>
  .tray {
    border-top: 1px solid var(--quiet);
    background: var(--board);
    min-width: 0;
  }
  .open {
    display: grid;
    grid-template-columns: minmax(0, 5fr) minmax(0, 7fr);
    height: min(30vh, 226px);
    border-bottom: 1px solid var(--line);
  }
  .list {
    overflow-y: auto;
    border-right: 1px solid var(--line);
  }
  .line {
    display: flex;
    align-items: center;
    gap: 8px;
    width: 100%;
    min-height: var(--row);
    padding: 0 8px;
    border: 0;
    border-bottom: 1px solid var(--line);
    background: transparent;
    color: var(--ink);
    font: inherit;
    text-align: left;
  }
  .line:hover,
  .line[aria-current] {
    background: var(--copper-soft);
  }
  .line[aria-current] {
    box-shadow: inset 3px 0 var(--copper);
  }
  .text {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .alike {
    margin-left: auto;
    color: var(--quiet);
    white-space: nowrap;
  }
  .empty {
    padding: 8px 12px;
    margin: 0;
  }
  .detail {
    overflow-y: auto;
  }
  .bar {
    display: flex;
    align-items: center;
    gap: 10px;
    min-height: 36px;
    padding-right: 10px;
  }
  .count {
    display: inline-flex;
    align-items: center;
    gap: 4px;
    white-space: nowrap;
  }
  .none {
    color: var(--quiet);
  }
  .scope {
    display: inline-flex;
    border-left: 1px solid var(--line);
    padding-left: 6px;
  }
  .scope [aria-pressed='true'] {
    text-decoration: underline;
    text-underline-offset: 4px;
    font-weight: 650;
  }
  .sentence {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  @media (max-width: 759px) {
    .open {
      grid-template-columns: minmax(0, 1fr);
      height: auto;
      max-height: 52vh;
      overflow-y: auto;
    }
    .list {
      max-height: 22vh;
      border-right: 0;
    }
    .bar {
      flex-wrap: wrap;
      gap: 4px 8px;
    }
    .scope,
    .sentence {
      display: none;
    }
  }
</style>
