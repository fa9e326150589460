<!-- When a part is at work and what it does in between, as a sentence whose parts can be changed. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { statesOf, type PartNode, type Rhythm } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { setRun, type Run } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import QuantityField from '../kit/QuantityField.svelte';
  import { workbench } from '../state/workbench.svelte';

  let {
    part,
    rhythm,
    switched,
    controller,
  }: { part: PartNode; rhythm: Rhythm; switched: boolean; controller: boolean } = $props();
  const states = $derived(statesOf(part));
  const sleeps = $derived(states.some(({ sleep }) => sleep));
  const idles = $derived(states.some(({ idle }) => idle));
  const clocks = $derived(states.flatMap((s) => s.clocks ?? []));
  const busy = $derived(rhythm.phases.reduce((sum, { from, to }) => sum + to - from, 0));
  const mode = $derived(rhythm.every !== null ? 'every' : rhythm.duty < 1 ? 'share' : 'always');

  function change(next: Partial<Run>, what: string) {
    if (workbench.plan) workbench.edit(setRun(workbench.plan, part.id, next), `${what} of ${say(part.label)}`);
  }
  function setMode(to: string) {
    if (to === 'always') change({ every: undefined, busy: undefined, after: undefined, duty: 1 }, 'rhythm');
    else if (to === 'share') change({ every: undefined, busy: undefined, after: undefined, duty: 0.1 }, 'rhythm');
    else
      change({ duty: undefined, every: 60, ...(states.some((s) => s.busy ?? s.stages) ? {} : { busy: 1 }) }, 'rhythm');
  }
</script>

<span class="unit inline-flex flex-wrap items-center gap-x-1 gap-y-0.5 pb-1 empty:hidden">
  {#if controller && mode === 'every'}
    awake <QuantityField
      value={busy}
      unit="s"
      width="4.8em"
      label="{say(part.label)}, awake for"
      check={(v) => (v > 0 ? null : 'more than 0')}
      ahead
      change={(v) => change({ busy: v }, 'time awake')}
    /> every {formatQuantity(rhythm.every ?? 0, 's')},
  {:else if !controller}
    <Select
      label="{say(part.label)}, when at work"
      value={mode}
      choices={[
        { value: 'always', label: 'always on' },
        { value: 'share', label: 'at work for' },
        { value: 'every', label: 'at work every' },
      ]}
      ahead
      change={setMode}
    />
    {#if mode === 'share'}
      <QuantityField
        value={Number((rhythm.duty * 100).toFixed(4))}
        unit="%"
        width="4.6em"
        label="{say(part.label)}, share of the time at work"
        check={(v) => (v >= 0 && v <= 100 ? null : 'from 0 to 100 %')}
        ahead
        change={(v) => change({ duty: v / 100 }, 'duty')}
      /> of the time,
    {:else if mode === 'every'}
      <QuantityField
        value={rhythm.every}
        unit="s"
        width="4.8em"
        label="{say(part.label)}, interval"
        check={(v) => (v > 0 ? null : 'more than 0')}
        ahead
        change={(v) => change({ every: v }, 'interval')}
      />
      for <QuantityField
        value={busy}
        unit="s"
        width="5em"
        label="{say(part.label)}, at work for"
        check={(v) => (v > 0 ? null : 'more than 0')}
        ahead
        change={(v) => change({ busy: v }, 'time at work')}
      />{#if rhythm.after !== null}
        from <QuantityField
          value={rhythm.after}
          unit="s"
          width="4.8em"
          label="{say(part.label)}, begins after"
          check={(v) => (v >= 0 ? null : '0 or more')}
          ahead
          change={(v) => change({ after: v }, 'beginning')}
        />{/if},
    {/if}
  {/if}
  {#if (controller && sleeps) || (!controller && mode !== 'always' && (idles || sleeps || switched))}
    {mode === 'every' || !controller ? 'then' : 'stays'}
    <Select
      label="{say(part.label)}, between"
      class="rest w-[5.4em]"
      value={rhythm.rest}
      choices={[
        { value: 'idle', label: controller ? 'awake' : 'idle' },
        ...(sleeps ? [{ value: 'sleep', label: 'asleep' }] : []),
        ...(controller
          ? []
          : [{ value: 'off', label: switched ? 'off' : 'off (nothing switches it)', disabled: !switched }]),
      ]}
      ahead
      change={(to) => change({ rest: to as 'idle' | 'sleep' | 'off' }, 'rest')}
    />
  {/if}
  {#if clocks.length > 0}
    at <Select
      label="{say(part.label)}, clock"
      value={String(part.choice?.run?.clock ?? '')}
      choices={[
        { value: '', label: 'full clock' },
        ...clocks.map(({ frequency }) => ({ value: String(frequency), label: formatQuantity(frequency, 'Hz') })),
      ]}
      ahead
      change={(to) => change({ clock: to ? Number(to) : undefined }, 'clock')}
    />
  {/if}
</span>
