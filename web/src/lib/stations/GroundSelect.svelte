<!-- Where the ground of a part is: with that of all others, or on a pin that the program holds low. Offered where the house rule lets pins feed parts. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { freePinsFor, type Circuit, type PartNode } from '@idle-breadboard/core/circuit';
  import { parseRef, setGround } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, part }: { circuit: Circuit; part: PartNode } = $props();
  const MAX_PINS = 4;
  const now = $derived(parseRef(part.choice?.ground).own ?? null);
  const free = $derived(
    circuit.plan.rules.pinPower === 0 || (part.card.rails ?? []).length > 0
      ? []
      : freePinsFor(circuit, { ask: 'out' }).slice(0, MAX_PINS),
  );
  const pins = $derived([...new Set([...(now === null ? [] : [now]), ...free])]);
  const labelOf = (pin: string) => circuit.controller?.card.terminals.find(({ id }) => id === pin)?.label ?? pin;
  const shown = $derived(
    part.id !== circuit.controller?.id && pins.length > 0 && part.card.terminals.some(({ role }) => role === 'ground'),
  );
</script>

{#if shown}
  <Select
    label="ground of {say(part.label)}"
    class="w-[9.5em]"
    value={now ?? ''}
    choices={[
      { value: '', label: 'common ground' },
      ...pins.map((pin) => ({ value: pin, label: `ground from pin ${labelOf(pin)}` })),
    ]}
    ahead
    change={(to) => {
      if (workbench.plan)
        workbench.edit(setGround(workbench.plan, part.id, to || null), `ground of ${say(part.label)}`);
    }}
  />
{/if}
