<!-- What a place does to a part: water, air, weather, a lead. -->
<script lang="ts">
  import { counted } from '@idle-breadboard/core/words';
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { WATER } from '@idle-breadboard/core/card';
  import { SUNS, type Place, type Plan, placeKey } from '@idle-breadboard/core/plan';
  import type { Result } from '@idle-breadboard/core/verify';
  import Proof from '../kit/Proof.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import { changePlace } from '../state/needs';

  let {
    place,
    needs,
    said,
    results,
    edit,
  }: {
    place: Place;
    needs: number;
    /** False while the plan says nothing of it: then what stands here is only what would be taken. */
    said: boolean;
    results: readonly Result[];
    edit: (change: (plan: Plan) => Plan, why: string) => void;
  } = $props();
  const change = (next: (now: Place) => Place) => edit((p) => changePlace(p, place.name, next), `place ${place.name}`);
  const set = (next: Partial<Place>) => change((now) => ({ ...now, ...next }));
  const SUN_WORDS = { shade: 'in the shade', shield: 'under a shield', sun: 'in the sun' };
  const WORDS = { dry: 'dry', splash: 'splashed', immersion: 'under water' };
</script>

<Row subjects={[placeKey(place.name)]}>
  {#snippet choose()}
    <span class="leading-[1.75]">
      <span class="font-semibold">{place.name}</span> is
      <Select
        label="water at {place.name}"
        value={place.water}
        choices={WATER.map((water) => ({ value: water, label: WORDS[water] }))}
        ahead
        change={(to) => set({ water: WATER.find((w) => w === to) ?? 'dry' })}
      />, its air from
      <QuantityField
        value={place.air?.from ?? null}
        unit="°C"
        plain
        label="coldest air at {place.name}"
        width="2.8em"
        ahead
        change={(from) => change((now) => ({ ...now, air: { from, to: Math.max(from, now.air?.to ?? from) } }))}
      />
      to
      <QuantityField
        value={place.air?.to ?? null}
        unit="°C"
        label="warmest air at {place.name}"
        width="4.2em"
        ahead
        change={(to) => change((now) => ({ ...now, air: { from: Math.min(to, now.air?.from ?? to), to } }))}
      />,
      <span class="whitespace-nowrap"
        >on a lead of
        <QuantityField
          value={place.lead ?? null}
          unit="m"
          label="lead to {place.name}"
          width="4em"
          check={(v) => (v > 0 && v <= 1000 ? null : 'from above 0 to 1000 m')}
          ahead
          change={(lead) => set({ lead })}
        /></span
      >
    </span>
    <label class="inline-flex items-center"
      ><Tick checked={place.outdoors} ahead change={(on) => set({ outdoors: on })} />outdoors</label
    >
    {#if place.outdoors}<Select
        label="sun at {place.name}"
        value={place.sun ?? ''}
        choices={[{ value: '', label: 'sun not said' }, ...SUNS.map((sun) => ({ value: sun, label: SUN_WORDS[sun] }))]}
        ahead
        change={(to) => {
          const sun = SUNS.find((s) => s === to);
          change(({ sun: _old, ...now }) => (sun ? { ...now, sun } : now));
        }}
      />{/if}
    <label class="inline-flex items-center"
      ><Tick checked={place.closed} ahead change={(on) => set({ closed: on })} />closed box</label
    >
    {#if !said}<Button onclick={() => set({})} aria-label="{place.name} is as it stands here">It is so</Button>{/if}
  {/snippet}
  {#snippet prove()}
    <span class="unit">{counted(needs, 'need is', 'needs are')} here</span>
    {#each results as result (result.key)}<Proof {result} />{/each}
  {/snippet}
</Row>
