<!-- "when air temperature at top shelf rises above 18 °C, set off the alarm, until acknowledged" -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { needName, watched, type Plan, type TriggerNeed } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import type { Change } from '../state/needs';
  import QuantityField from '../kit/QuantityField.svelte';

  let { plan, need, name, change }: { plan: Plan; need: TriggerNeed; name: string; change: Change<TriggerNeed> } =
    $props();
  const of = $derived(watched(plan, need.of));
  const unit = $derived(of?.unit ?? '');
  const plain = $derived(plan.needs.filter((n) => n.kind === 'show' || n.kind === 'drive'));
</script>

when <Select
  label="watched by {name}"
  value={need.of}
  choices={plan.needs.filter((n) => n.kind === 'sense').map((n) => ({ value: n.id, label: say(needName(plan, n)) }))}
  ahead
  change={(to) => change((now) => ({ ...now, of: to }), 'what a trigger watches')}
/>
is
<Select
  label="{name}, side"
  value={need.when}
  choices={[
    { value: 'above', label: 'above' },
    { value: 'below', label: 'below' },
  ]}
  ahead
  change={(to) => change((now) => ({ ...now, when: to === 'below' ? 'below' : 'above' }), 'side of a trigger')}
/>
<QuantityField
  value={need.level}
  {unit}
  label="{name}, level"
  width="5.2em"
  ahead
  change={(level) => change((now) => ({ ...now, level }), 'level of a trigger')}
/>
it sets off
<Select
  label="set off by {name}"
  value={need.sets[0] ?? ''}
  choices={[{ value: '', label: 'nothing yet' }, ...plain.map((n) => ({ value: n.id, label: say(needName(plan, n)) }))]}
  ahead
  change={(to) => change((now) => ({ ...now, sets: to ? [to] : [] }), 'what a trigger sets off')}
/>
<Select
  label="{name}, how it ends"
  value={need.release}
  choices={[
    { value: 'clears', label: 'until it has come back by' },
    { value: 'sticky', label: 'until someone acknowledges it, after' },
  ]}
  ahead
  change={(to) => change((now) => ({ ...now, release: to === 'sticky' ? 'sticky' : 'clears' }), 'how a trigger ends')}
/>
<QuantityField
  value={need.hysteresis}
  {unit}
  label="{name}, hysteresis"
  width="4.4em"
  check={(v) => (v >= 0 ? null : '0 or more')}
  ahead
  change={(hysteresis) => change((now) => ({ ...now, hysteresis }), 'hysteresis of a trigger')}
/>
