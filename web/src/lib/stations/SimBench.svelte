<!-- The simulated bench: the build as laid out, in order or with a fault in it, to be measured in place of the real one. -->
<script lang="ts">
  import { bringing } from '../state/bringing.svelte';
  import type { Cause } from '../worker/bench';

  let faults = $state.raw<readonly Cause[]>([]);
  let wanted = $state('');
  async function list() {
    if (faults.length === 0) faults = await bringing.worker.faults();
  }
  const phases = [
    ['off', 'power off'],
    ['power', 'power'],
    ['rest', 'at rest'],
    ['scan', 'scans'],
    ['reading', 'readings'],
    ['edges', 'edges'],
  ] as const;
  const rowsOf = (phase: string) => bringing.standard.filter((row) => row.phase === phase);
</script>

<div class="bench" role="group" aria-label="simulated bench">
  <p class="eyebrow">Simulated bench</p>
  <p class="unit">
    The build as it is laid out, under the same sums as the proofs; its meter errs like a real one. {bringing.bench ===
    'off'
      ? 'It takes the place of the real build until you switch it off.'
      : ''}
  </p>
  <div class="acts">
    {#if bringing.bench === 'off'}
      <button type="button" class="act" onclick={() => bringing.put('')}>Put the build on it</button>
      <button type="button" class="act" onclick={() => bringing.put(null)}>Practise: hide a fault</button>
    {:else}
      <span class="says"
        >{bringing.bench === 'sound'
          ? 'The build is on it, in order.'
          : bringing.bench === 'drawn'
            ? 'One fault is hidden in it.'
            : 'The fault that you chose is in it.'}</span
      >
      {#each phases as [phase, says] (phase)}
        {#if rowsOf(phase).length > 0}<button type="button" class="act" onclick={() => bringing.read(rowsOf(phase))}
            >Read {says}</button
          >{/if}
      {/each}
      {#if bringing.bench !== 'sound'}<button type="button" class="act" onclick={() => bringing.reveal()}
          >Show what it is</button
        >{/if}
      <button type="button" class="act" onclick={() => bringing.switchOff()}>Switch it off</button>
    {/if}
  </div>
  <details ontoggle={list}>
    <summary>Put a fault of your choice in</summary>
    <select class="field" aria-label="fault to put in" bind:value={wanted}>
      <option value="">choose one of {faults.length}</option>
      {#each faults as { key, says } (key)}<option value={key}>{says}</option>{/each}
    </select>
    <button type="button" class="act" disabled={wanted === ''} onclick={() => bringing.put(wanted)}>Put it in</button>
  </details>
  {#if bringing.revealed}
    {@const { cause, fewest, taken } = bringing.revealed}
    <p role="status">
      <strong>{cause?.says ?? 'Nothing was hidden.'}</strong>
      {#if fewest > 0}You took {taken} {taken === 1 ? 'measurement' : 'measurements'}; {fewest} could have told.{/if}
    </p>
  {/if}
</div>

<style>
  .bench {
    width: 100%;
    padding: 4px 0 6px;
  }
  p {
    margin: 2px 0;
  }
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 6px;
    align-items: center;
    margin: 4px 0;
  }
  summary {
    min-height: var(--row);
    padding-block: 4px;
    cursor: pointer;
  }
  select {
    max-width: min(100%, 30em);
  }
</style>
