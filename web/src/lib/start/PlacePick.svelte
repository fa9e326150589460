<!-- A place of the build that is picked: how far, how wet, how open. -->
<script lang="ts">
  import { WATER } from '@idle-breadboard/core/card';
  import Button from '../kit/Button.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import TextField from '../kit/TextField.svelte';
  import { starting } from '../state/starting.svelte';

  let { name }: { name: string } = $props();
  const place = $derived(starting.placeOf(name));
  const WORDS = { dry: 'dry', splash: 'splashed', immersion: 'under water' } as const;
</script>

<li class="flex flex-wrap items-center gap-x-2.5 gap-y-0.5 py-1 border-b">
  <TextField
    label="name of {name}"
    width="7em"
    value={name}
    change={(next) => starting.setPlace(name, { name: next })}
  />
  <span class="inline-flex" role="group" aria-label="water at {name}">
    {#each WATER as water (water)}<Button
        kind="bare"
        pressed="underlined"
        aria-pressed={place.water === water}
        onclick={() => starting.setPlace(name, { water })}>{WORDS[water]}</Button
      >{/each}
  </span>
  <Button
    kind="bare"
    pressed="underlined"
    aria-pressed={place.outdoors}
    onclick={() => starting.setPlace(name, { outdoors: !place.outdoors })}>outdoors</Button
  >
  <Button
    kind="bare"
    pressed="underlined"
    aria-pressed={place.closed}
    onclick={() => starting.setPlace(name, { closed: !place.closed })}>in a closed box</Button
  >
  <span class="whitespace-nowrap"
    >lead of <QuantityField
      label="lead to {name}"
      value={place.lead ?? null}
      unit="m"
      width="4em"
      check={(v) => (v > 0 && v <= 1000 ? null : 'from above 0 to 1000 m')}
      change={(lead) => starting.setPlace(name, { lead })}
    /></span
  >
</li>
