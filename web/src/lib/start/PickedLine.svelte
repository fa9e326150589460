<!-- One pick as the sentence that it makes, who can meet it, and where it is. -->
<script lang="ts">
  import { counted } from '@idle-breadboard/core/words';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { Need } from '@idle-breadboard/core/plan';
  import { qualify, settingOf } from '@idle-breadboard/core/verify';
  import X from '@lucide/svelte/icons/x';
  import Button from '../kit/Button.svelte';
  import Combobox from '../kit/Combobox.svelte';
  import { REASON_WORDS } from '../state/needs';
  import { starting, type Picked } from '../state/starting.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { one, need }: { one: Picked; need: Need | null } = $props();
  const pick = $derived(one.pick);
  const can = $derived(need ? qualify(workbench.library.values(), need, settingOf(starting.draft.plan, need)) : null);
  const sentence = $derived.by(() => {
    if (need?.kind === 'sense') {
      const { from, to, accuracy, interval, unit } = need;
      return `sense ${one.name} from ${from} to ${formatQuantity(to, unit)}, within ±${formatQuantity(accuracy, unit)}, every ${formatQuantity(interval, 's')}`;
    }
    const verb = { show: 'show', operate: 'be operated by', load: 'drive', sense: 'sense', drive: 'drive' }[pick.kind];
    return `${verb} ${one.name}`;
  });
</script>

<li class="flex flex-wrap items-center gap-x-2.5 gap-y-0.5 py-1 border-b" data-picked-line>
  <svg viewBox="0 0 48 32" class="w-8 h-6 flex-none fill-none stroke-current stroke-[1.3]" aria-hidden="true"
    ><path d={one.drawing} /></svg
  >
  <span class="flex-1 min-w-[15em]"
    >{sentence}
    {#if can}<span class="text-aside {can.able.length === 0 ? 'text-fault' : 'text-quiet'}"
        >{can.able.length === 0
          ? `no part does: ${can.out.map(({ reason, cards }) => `${cards.length} by ${REASON_WORDS[reason]}`).join(', ')}`
          : `${counted(can.able.length, 'part does', 'parts do')}`}</span
      >{/if}</span
  >
  {#if pick.kind === 'load'}
    <Button
      aria-pressed={pick.by === 'contact'}
      pressed="underlined"
      onclick={() =>
        starting.change(one.id, (now) =>
          now.kind === 'load' ? { ...now, by: now.by === 'contact' ? 'any' : 'contact' } : now,
        )}>by a relay</Button
    >
  {/if}
  <span class="inline-flex items-center gap-1"
    >at <Combobox
      label="place of {one.name}"
      free
      class="w-[8em]"
      choices={starting.placeNames.map((name) => ({ value: name, label: name }))}
      value={pick.place}
      change={(place) => starting.change(one.id, (now) => ({ ...now, place }))}
    /></span
  >
  <Button onclick={() => starting.again(one)}>another like this<span class="sr-only">: {one.name}</span></Button>
  <Button kind="bare" aria-label="take {one.name} out" onclick={() => starting.remove(one.id)}><X size={15} /></Button>
</li>
