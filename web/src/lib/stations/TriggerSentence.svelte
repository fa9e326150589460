<!-- "when air temperature at top shelf rises above 18 °C, set off the alarm, until acknowledged" -->
<script lang="ts">
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

when <select
  class="field"
  aria-label="watched by {name}"
  value={need.of}
  onchange={(event) => change((now) => ({ ...now, of: event.currentTarget.value }), 'what a trigger watches')}
>
  {#each plan.needs.filter((n) => n.kind === 'sense') as n (n.id)}<option value={n.id}>{say(needName(plan, n))}</option
    >{/each}
</select>
is
<select
  class="field"
  aria-label="{name}, side"
  value={need.when}
  onchange={(event) =>
    change((now) => ({ ...now, when: event.currentTarget.value === 'below' ? 'below' : 'above' }), 'side of a trigger')}
>
  <option value="above">above</option><option value="below">below</option>
</select>
<QuantityField
  value={need.level}
  {unit}
  label="{name}, level"
  width="5.2em"
  change={(level) => change((now) => ({ ...now, level }), 'level of a trigger')}
/>
it sets off
<select
  class="field"
  aria-label="set off by {name}"
  value={need.sets[0] ?? ''}
  onchange={(event) =>
    change(
      (now) => ({ ...now, sets: event.currentTarget.value ? [event.currentTarget.value] : [] }),
      'what a trigger sets off',
    )}
>
  <option value="">nothing yet</option>
  {#each plain as n (n.id)}<option value={n.id}>{say(needName(plan, n))}</option>{/each}
</select>
<select
  class="field"
  aria-label="{name}, how it ends"
  value={need.release}
  onchange={(event) =>
    change(
      (now) => ({ ...now, release: event.currentTarget.value === 'sticky' ? 'sticky' : 'clears' }),
      'how a trigger ends',
    )}
>
  <option value="clears">until it has come back by</option><option value="sticky"
    >until someone acknowledges it, after</option
  >
</select>
<QuantityField
  value={need.hysteresis}
  {unit}
  label="{name}, hysteresis"
  width="4.4em"
  check={(v) => (v >= 0 ? null : '0 or more')}
  change={(hysteresis) => change((now) => ({ ...now, hysteresis }), 'hysteresis of a trigger')}
/>
