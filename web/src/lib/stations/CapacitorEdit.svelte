<!-- A capacitor across a supply of a part, for the gusts of current that its leads bring too slowly. -->
<script lang="ts">
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
  <select
    class="field max-w-[9.5em]"
    aria-label="capacitor across the supply of {say(label)}"
    value={card}
    onchange={(event) => take(event.currentTarget.value)}
  >
    <option value="">no capacitor</option>
    {#each kinds as { id, name, capacitor } (id)}<option value={id} title={name}
        >{formatQuantity(capacitor?.farads ?? 0, 'F')} across it</option
      >{/each}
  </select>
</span>
