<!-- Which rail feeds a supply. Rails outside the range are offered last and say so. -->
<script lang="ts">
  import { setFeed, toInterval, within, type Circuit, type Feed } from '@idle-breadboard/core';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, feed }: { circuit: Circuit; feed: Feed } = $props();
  const label = $derived(circuit.parts.get(feed.part)?.label ?? feed.part);
  const terminal = $derived(
    circuit.parts.get(feed.part)?.card.terminals.find(({ id }) => id === feed.supply.terminal)?.label ?? feed.supply.id,
  );
  const rails = $derived(
    [...circuit.rails.values()]
      .filter(({ part }) => part !== feed.part)
      .map((rail) => ({ rail, fits: rail.voltage !== null && within(rail.voltage, toInterval(feed.supply.range)) }))
      .sort((a, b) => Number(b.fits) - Number(a.fits)),
  );
</script>

<select
  class="field feed"
  aria-label="rail that feeds {terminal} of {label}"
  value={feed.rail ?? ''}
  onchange={(event) => {
    if (workbench.plan)
      workbench.edit(setFeed(workbench.plan, feed.part, feed.supply.id, event.currentTarget.value), `feed ${label}`);
  }}
>
  {#if feed.rail === null}<option value="" disabled>not fed</option>{/if}
  {#each rails as { rail, fits } (rail.ref)}<option value={rail.ref}
      >{rail.label}{fits ? '' : ' (outside its range)'}</option
    >{/each}
</select>

<style>
  .feed {
    width: 12.5em;
  }
</style>
