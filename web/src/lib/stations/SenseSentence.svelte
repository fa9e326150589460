<!-- "air humidity from 70 to 98 %RH within ±3, every 60 s, at top shelf" -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { wordsAsChoices } from '../kit/choice';
  import type { Library } from '@idle-breadboard/core/card';
  import type { SenseNeed } from '@idle-breadboard/core/plan';
  import QuantityField from '../kit/QuantityField.svelte';
  import TextField from '../kit/TextField.svelte';
  import { usualRange, type Change } from '../state/needs';

  interface Props {
    need: SenseNeed;
    name: string;
    asked: readonly { quantity: string; unit: string }[];
    library: Library;
    /** How long the build serves. */
    years: number;
    change: Change<SenseNeed>;
  }
  let { need, name, asked, library, years, change }: Props = $props();
  const wide = $derived(['kg', 'Pa', 'm'].includes(need.unit));
</script>

<Select
  label="quantity"
  value={need.quantity}
  choices={wordsAsChoices(asked.map(({ quantity }) => quantity))}
  ahead
  change={(to) => {
    const q = asked.find(({ quantity }) => quantity === to);
    if (q) change((now) => ({ ...now, ...q, ...usualRange(library, q, years) }), 'quantity of a need');
  }}
/>
from <QuantityField
  value={need.from}
  unit={need.unit}
  plain={!wide}
  label="{name}, from"
  width={wide ? '5.4em' : '3.6em'}
  check={(v) => (v < need.to ? null : `below ${need.to}`)}
  ahead
  change={(from) => change((now) => (from < now.to ? { ...now, from } : now), 'range of a need')}
/>
to <QuantityField
  value={need.to}
  unit={need.unit}
  label="{name}, to"
  width="5.6em"
  check={(v) => (v > need.from ? null : `above ${need.from}`)}
  ahead
  change={(to) => change((now) => (to > now.from ? { ...now, to } : now), 'range of a need')}
/>
<span class="whitespace-nowrap"
  >within ±<QuantityField
    value={need.accuracy}
    unit={need.unit}
    plain={!wide}
    label="{name}, within"
    width={wide ? '4.6em' : '3em'}
    percentOf={Math.max(Math.abs(need.from), Math.abs(need.to))}
    check={(v) => (v > 0 ? null : 'more than 0')}
    ahead
    change={(accuracy) => change((now) => ({ ...now, accuracy }), 'accuracy of a need')}
  /></span
>
every <QuantityField
  value={need.interval}
  unit="s"
  label="{name}, every"
  width="3.6em"
  check={(v) => (v > 0 ? null : 'more than 0 s')}
  ahead
  change={(interval) => change((now) => ({ ...now, interval }), 'interval of a need')}
/>
at <TextField
  value={need.place}
  label="{name}, at"
  width="8.5em"
  change={(place) => change((now) => ({ ...now, place }), 'place of a need')}
/>
