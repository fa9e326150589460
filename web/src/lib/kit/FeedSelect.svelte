<!-- Which rail feeds a supply. Rails outside the range are offered last and say so. -->
<script lang="ts">
  import { freePinsFor, setFeed, toInterval, within, type Circuit, type Feed } from '@idle-breadboard/core';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, feed }: { circuit: Circuit; feed: Feed } = $props();
  const label = $derived(circuit.parts.get(feed.part)?.label ?? feed.part);
  const terminal = $derived(
    circuit.parts.get(feed.part)?.card.terminals.find(({ id }) => id === feed.supply.terminal)?.label ?? feed.supply.id,
  );
  const rails = $derived(
    [...circuit.rails.values()]
      .filter(({ part, pin, ref }) => part !== feed.part && (!pin || ref === feed.rail))
      .map((rail) => ({ rail, fits: rail.voltage !== null && within(rail.voltage, toInterval(feed.supply.range)) }))
      .sort((a, b) => Number(b.fits) - Number(a.fits)),
  );
  /** A few pins that could feed it, where the house rules let pins feed parts. */
  const MOST_PINS = 4;
  const pins = $derived.by(() => {
    const { controller } = circuit;
    if (!controller || controller.id === feed.part || circuit.plan.rules.pinPower === 0) return [];
    const makesRails = (circuit.parts.get(feed.part)?.card.rails ?? []).length > 0;
    return makesRails ? [] : freePinsFor(circuit, { ask: 'out' }).slice(0, MOST_PINS);
  });
  const pinLabel = (pin: string) => circuit.controller?.card.terminals.find(({ id }) => id === pin)?.label ?? pin;
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
  {#each pins as pin (pin)}<option value="{circuit.controller?.id}.{pin}">pin {pinLabel(pin)}</option>{/each}
</select>

<style>
  .feed {
    width: 12.5em;
  }
</style>
