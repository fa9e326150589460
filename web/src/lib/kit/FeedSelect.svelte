<!-- Which rail feeds a supply. Rails outside the range are offered last and say so. -->
<script lang="ts">
  import Select from './Select.svelte';
  import { SOCKET, toInterval } from '@idle-breadboard/core/card';
  import {
    freePinsFor,
    railsInto,
    takesLeads,
    wouldCircle,
    type Circuit,
    type Feed,
  } from '@idle-breadboard/core/circuit';
  import { within } from '@idle-breadboard/core/figures';
  import { setFeed, type Plan } from '@idle-breadboard/core/plan';
  import { feedInstead, plugIn } from '@idle-breadboard/core/solve';
  import { say } from '@idle-breadboard/core/words';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, feed }: { circuit: Circuit; feed: Feed } = $props();
  const label = $derived(circuit.parts.get(feed.part)?.label ?? feed.part);
  const terminal = $derived(
    circuit.parts.get(feed.part)?.card.terminals.find(({ id }) => id === feed.supply.terminal)?.label ?? feed.supply.id,
  );
  const rails = $derived(
    [...circuit.rails.values()]
      .filter((rail) => !wouldCircle(circuit, feed.part, feed.supply.id, rail))
      .filter((rail) => rail.part !== feed.part && (!rail.pin || rail.ref === feed.rail) && takesLeads(circuit, rail))
      .map((rail) => ({ rail, fits: rail.voltage !== null && within(rail.voltage, toInterval(feed.supply.range)) }))
      .sort((a, b) => Number(b.fits) - Number(a.fits)),
  );
  const board = $derived(circuit.parts.get(feed.part));
  /** Sources that can be plugged into the board's socket. */
  const plugs = $derived(board ? railsInto(circuit, board.card) : []);
  const inside = $derived(feed.by === 'inside');
  const PLUG = 'plug ';

  function choose(plan: Plan, value: string): Plan {
    if (value.startsWith(PLUG) && board)
      return plugIn(plan, board, value.slice(PLUG.length), workbench.library, circuit.cards);
    // What was in the socket comes out when the supply that it meets is fed otherwise.
    return board && (inside || feed.supply.id === SOCKET)
      ? feedInstead(plan, board, feed.supply.id, value)
      : setFeed(plan, feed.part, feed.supply.id, value);
  }
  /** A few pins that could feed it, where the house rules let pins feed parts. */
  const MAX_PINS = 4;
  const pins = $derived.by(() => {
    const { controller } = circuit;
    if (!controller || controller.id === feed.part || circuit.plan.rules.pinPower === 0) return [];
    const makesRails = (circuit.parts.get(feed.part)?.card.rails ?? []).length > 0;
    return makesRails ? [] : freePinsFor(circuit, { ask: 'out' }).slice(0, MAX_PINS);
  });
  const pinLabel = (pin: string) => circuit.controller?.card.terminals.find(({ id }) => id === pin)?.label ?? pin;
  const choices = $derived([
    ...(feed.rail === null ? [{ value: '', label: 'not fed', disabled: true }] : []),
    ...(inside ? [{ value: '', label: 'from the socket', disabled: true }] : []),
    ...plugs.map((plug) => ({
      value: `${PLUG}${plug.ref}`,
      label: `cable of ${say(circuit.parts.get(plug.part)?.label)} in the socket`,
    })),
    ...rails.map(({ rail, fits }) => ({
      value: rail.ref,
      label: say(rail.label),
      hint: fits ? undefined : 'outside its range',
    })),
    ...pins.map((pin) => ({ value: `${circuit.controller?.id}.${pin}`, label: `pin ${pinLabel(pin)}` })),
  ]);
</script>

<Select
  label="rail that feeds {terminal} of {say(label)}"
  class="w-[12.5em]"
  value={inside ? '' : feed.supply.id === SOCKET ? `${PLUG}${feed.rail}` : (feed.rail ?? '')}
  {choices}
  ahead
  change={(to) => {
    if (workbench.plan) workbench.edit(choose(workbench.plan, to), `feed ${say(label)}`);
  }}
/>
