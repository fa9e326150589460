<!-- A figure corrected whole: as it is written, which figure of a card it is, of what, and when it holds. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { QUANTITIES, SLOT_IDS, slotOf, type SlotId } from '@idle-breadboard/core/card';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { say } from '@idle-breadboard/core/words';
  import { reading } from '../state/reading.svelte';
  import type { Figure } from '../state/review-figure';

  let { figure, name }: { figure: Figure; name: string } = $props();
  let trouble = $state('');

  /** Codes, sizes and pins are entered in fields of their own. */
  const able = SLOT_IDS.filter(
    (slot) => !['terminal', 'port.identity', 'port.address', 'body.size'].includes(slot),
  ) as readonly SlotId[];
  const ofMeasure = $derived(figure.slot.startsWith('measure.'));
  const quantities = $derived(
    QUANTITIES.filter(
      ({ unit }) => slotOf(figure.slot).units.length > 0 || unit === figure.quantity?.unit || unit === figure.unit,
    ),
  );

  function reclass(slot: string) {
    const known = able.find((one) => one === slot);
    if (!known) return;
    const kept = known.startsWith('measure.')
      ? (figure.quantity ?? QUANTITIES.find(({ unit }) => unit === figure.unit))
      : undefined;
    reading.reclass(figure.id, known, kept && { quantity: kept.quantity, unit: kept.unit });
  }
</script>

<div class="col-span-full flex flex-wrap gap-x-2 gap-y-0.5 pt-0.5 pb-1 pl-5">
  <input
    class="field max-w-[15em]"
    aria-label="{name}, as it is written"
    aria-invalid={trouble !== ''}
    placeholder="as it is written: 0.7 VDD"
    autocomplete="off"
    spellcheck="false"
    onchange={(event) => {
      const input = event.currentTarget;
      trouble = input.value.trim() === '' ? '' : reading.correct(figure.id, input.value);
      if (trouble === '') input.value = '';
    }}
  />
  <Select
    label="{name}, which figure it is"
    class="max-w-[15em]"
    value={figure.slot}
    choices={able.map((slot) => ({ value: slot, label: say(wordOf('slot', slot)) }))}
    change={reclass}
  />
  {#if ofMeasure}
    <Select
      label="{name}, of what"
      class="max-w-[15em]"
      value={figure.quantity?.quantity ?? ''}
      choices={quantities.map(({ quantity }) => ({ value: quantity, label: say(wordOf('quantity', quantity)) }))}
      change={(to) => {
        const kind = QUANTITIES.find(({ quantity }) => quantity === to);
        if (kind) reading.reclass(figure.id, figure.slot, { quantity: kind.quantity, unit: kind.unit });
      }}
    />
  {/if}
  <input
    class="field max-w-[15em]"
    aria-label="{name}, when it holds"
    placeholder="when it holds"
    value={figure.conditions}
    autocomplete="off"
    onchange={(event) => reading.setConditions(figure.id, event.currentTarget.value.trim())}
  />
  {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
</div>
