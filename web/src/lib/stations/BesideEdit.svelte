<!-- What a part that feels the air stands beside. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import type { Circuit, PartNode } from '@idle-breadboard/core/circuit';
  import { setBeside } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import QuantityField from '../kit/QuantityField.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, part }: { circuit: Circuit; part: PartNode } = $props();
  const beside = $derived(part.choice?.beside);
  /** Whatever makes rails gets warm. */
  const warm = $derived(
    [...circuit.parts.values()].filter(
      ({ id, card, helper }) => id !== part.id && !helper && (card.rails ?? []).some(({ from }) => from),
    ),
  );
  const set = (next: { part: string; distance: number } | null) =>
    workbench.plan && workbench.edit(setBeside(workbench.plan, part.id, next), `where ${say(part.label)} stands`);
</script>

{#if warm.length > 0}
  <span class="unit inline-flex flex-wrap items-center gap-x-1 gap-y-0.5 pb-1"
    >stands
    <Select
      label="what {say(part.label)} stands beside"
      value={beside?.part ?? ''}
      choices={[
        { value: '', label: 'away from what gets warm' },
        ...warm.map(({ id, label }) => ({ value: id, label: `beside ${say(label)}` })),
      ]}
      ahead
      change={(to) => set(to ? { part: to, distance: beside?.distance ?? 0.02 } : null)}
    />
    {#if beside}
      at <QuantityField
        value={beside.distance}
        unit="m"
        width="4.6em"
        label="distance of {say(part.label)} from it"
        check={(v) => (v > 0 && v <= 10 ? null : 'from above 0 to 10 m')}
        ahead
        change={(distance) => set({ ...beside, distance })}
      />
    {/if}</span
  >
{/if}
