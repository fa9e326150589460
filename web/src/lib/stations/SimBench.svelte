<!-- The simulated bench: the build as laid out, in order or with a fault in it, to be measured in place of the real one. -->
<script lang="ts">
  import { counted } from '@idle-breadboard/core/words';
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
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
  /** Nothing is powered while something forbids it. */
  const rowsOf = (phase: string) =>
    bringing.standard.filter((row) => row.phase === phase && (bringing.stop === null || phase === 'off'));
</script>

<div class="bench w-full pt-1 pb-1.5" role="group" aria-label="simulated bench">
  <p class="eyebrow my-0.5 mx-0">Simulated bench</p>
  <p class="unit my-0.5">
    The build as it is laid out, under the same sums as the proofs; its meter errs like a real one. {bringing.bench ===
    'off'
      ? 'It takes the place of the real build until you switch it off.'
      : ''}
  </p>
  <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center my-1">
    {#if bringing.bench === 'off'}
      <Button onclick={() => bringing.put('')}>Put the build on it</Button>
      <Button onclick={() => bringing.put(null)}>Practise: hide a fault</Button>
    {:else}
      <span class="says"
        >{bringing.bench === 'sound'
          ? 'The build is on it, in order.'
          : bringing.bench === 'drawn'
            ? 'One fault is hidden in it.'
            : 'The fault that you chose is in it.'}</span
      >
      {#each phases as [phase, says] (phase)}
        {#if rowsOf(phase).length > 0}<Button onclick={() => bringing.read(rowsOf(phase))}>Read {says}</Button>{/if}
      {/each}
      {#if bringing.bench !== 'sound'}<Button onclick={() => bringing.reveal()}>Show what it is</Button>{/if}
      <Button onclick={() => bringing.switchOff()}>Switch it off</Button>
    {/if}
  </div>
  <details ontoggle={list}>
    <summary class="min-h-row py-1 cursor-pointer">Put a fault of your choice in</summary>
    <Select
      label="fault to put in"
      class="w-[min(100%,30em)]"
      bind:value={wanted}
      choices={faults.map(({ key, says }) => ({ value: key, label: says }))}
      placeholder="choose one of {faults.length}"
    />
    <Button disabled={wanted === ''} onclick={() => bringing.put(wanted)}>Put it in</Button>
  </details>
  {#if bringing.revealed}
    {@const { cause, fewest, taken } = bringing.revealed}
    <p class="my-0.5" role="status">
      <strong>{cause?.says ?? 'Nothing was hidden.'}</strong>
      {#if fewest > 0}You took {counted(taken, 'measurement')}; {fewest} could have told.{/if}
    </p>
  {/if}
</div>
