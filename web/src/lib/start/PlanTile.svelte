<!-- A plan on the shelf: its drawing, its name, how it stands, when it was changed. -->
<script lang="ts">
  import { counted } from '@idle-breadboard/core/words';
  import { glancing } from '../state/glancing.svelte';
  import { view } from '../state/view.svelte';
  import PlanPicture from './PlanPicture.svelte';

  let { id, name, changed, night }: { id: string; name: string; changed: number; night: boolean } = $props();
  const key = $derived(`${id} ${changed} ${night}`);
  const glance = $derived(glancing.of(key));
  const date = $derived(new Date(changed).toLocaleDateString('en-GB', { dateStyle: 'medium' }));

  $effect(() => void glancing.askStored(key, id, night));
</script>

<button
  type="button"
  class="grid w-full h-full content-start gap-1 p-2 rounded-sm border border-line bg-raised text-left hover:border-copper hover:bg-copper-soft"
  data-plan={id}
  onclick={() => void view.open(id)}
>
  <PlanPicture svg={glance?.svg ?? ''} alt="" class="h-28" />
  <span class="font-semibold">{name}</span>
  <span class="flex flex-wrap justify-between gap-x-3 text-aside text-quiet">
    {#if !glance}<span>…</span>
    {:else if glance.parts === 0}<span>empty</span>
    {:else if glance.open > 0}<span class="text-fault">open, {glance.open} to settle</span>
    {:else}<span class="text-pass">proved on paper, {counted(glance.proofs, 'proof')}</span>{/if}
    <span>{date}</span>
  </span>
</button>
