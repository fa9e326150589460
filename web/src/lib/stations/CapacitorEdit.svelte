<!-- A capacitor across a supply of a part, for the gusts of current that its leads bring too slowly. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import type { Circuit, Feed } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { setCapacitor } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, feed }: { circuit: Circuit; feed: Feed } = $props();
  const label = $derived(circuit.parts.get(feed.part)?.label ?? feed.part);
  const there = $derived(
    circuit.plan.helpers.find((h) => h.kind === 'capacitor' && h.part === feed.part && h.supply === feed.supply.id),
  );
  const card = $derived(there?.kind === 'capacitor' ? there.card : '');
  const kinds = $derived([...workbench.library.values()].filter(({ capacitor }) => capacitor));

  function take(id: string) {
    const { plan, library } = workbench;
    if (plan)
      workbench.edit(
        setCapacitor(plan, feed.part, feed.supply.id, library.get(id) ?? null),
        id ? `a capacitor at ${say(label)}` : `no capacitor at ${say(label)}`,
      );
  }
</script>

<span class="unit">
  <Select
    label="capacitor across the supply of {say(label)}"
    class="max-w-[9.5em]"
    value={card}
    choices={[
      { value: '', label: 'no capacitor' },
      ...kinds.map(({ id, name, capacitor }) => ({
        value: id,
        label: `${formatQuantity(capacitor?.farads ?? 0, 'F')} across it`,
        hint: name,
      })),
    ]}
    ahead
    change={take}
  />
</span>
