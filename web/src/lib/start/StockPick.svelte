<!-- What lies in the drawer already: it costs nothing and is there today. -->
<script lang="ts">
  import { classFor } from '@idle-breadboard/core/workshop';
  import X from '@lucide/svelte/icons/x';
  import { CLASS_DRAWINGS } from '../kit/class-drawings';
  import Button from '../kit/Button.svelte';
  import Combobox from '../kit/Combobox.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { workbench } from '../state/workbench.svelte';

  const held = $derived(Object.entries(drawer.stock).filter(([, pieces]) => pieces > 0));
  const choices = $derived(
    [...workbench.library.values()].map((card) => ({
      value: card.id,
      label: card.name,
      hint: card.kind,
      drawing: CLASS_DRAWINGS[classFor(card)],
    })),
  );
</script>

<div class="flex flex-wrap items-center gap-x-2.5 gap-y-1 border-y py-1">
  {#each held as [id, pieces] (id)}
    <span class="inline-flex items-center gap-1 whitespace-nowrap"
      ><span class="value">{pieces}</span>
      {workbench.library.get(id)?.name ?? id}<Button
        kind="bare"
        aria-label="take {workbench.library.get(id)?.name ?? id} out of the drawer"
        onclick={() => drawer.setStock(id, 0)}><X size={13} /></Button
      ></span
    >
  {:else}<span class="text-quiet">nothing</span>{/each}
  <Combobox
    label="what is in the drawer"
    placeholder="add what you have"
    {choices}
    value=""
    change={(id) => drawer.setStock(id, (drawer.stock[id] ?? 0) + 1)}
  />
</div>
