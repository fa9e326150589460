<!-- What the software of a build must be told: type, address, clock, interval, curve of every part, out of the plan. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { type Named, takesOverlay } from '@idle-breadboard/core/files';
  import { say, saysSetting } from '@idle-breadboard/core/words';
  import Button from '../kit/Button.svelte';
  import { saveSettings } from '../kit/actions';
  import { logbook } from '../state/logbook.svelte';
  import { readings } from '../state/readings.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  let told = $state.raw<readonly Named[]>([]);
  /** Of the circuit that is shown; one that comes late is not taken. */
  let asked = 0;
  $effect(() => void logbook.open());
  $effect(() => {
    void circuit;
    const mine = ++asked;
    void workbench.asks.settings(readings.corrections).then((all) => {
      if (mine === asked) told = all;
    });
  });
  /** What a part is stands below its name. */
  const besidesType = (one: Named | undefined) => (one?.constants ?? []).filter(({ setting }) => setting.id !== 'type');
  const KINDS = [
    ['part', 'Parts'],
    ['trigger', 'Triggers'],
    ['bus', 'Buses'],
    ['pin', 'Lines'],
  ] as const;
</script>

<div class="flex flex-wrap items-center gap-x-1.5 gap-y-1 py-2 px-3 border-b">
  <span class="max-w-prose mr-auto"
    >What the program must be told. In the files each value has a name, made of what it is of.</span
  >
  <Button onclick={() => saveSettings('c')}>C header</Button>
  <Button onclick={() => saveSettings('python')}>Python</Button>
  <Button onclick={() => saveSettings('json')}>JSON</Button>
  {#if takesOverlay(circuit)}<Button onclick={() => saveSettings('overlay')}>Device tree</Button>{/if}
</div>
{#each KINDS as [kind, title] (kind)}
  {@const things = told.filter((one) => one.told.kind === kind && besidesType(one).length + one.functions.length > 0)}
  {#if things.length > 0}
    <h2 class="pt-3 pb-1 px-3 text-group font-semibold">{title}</h2>
    <dl class="grid grid-cols-[minmax(11rem,24%)_minmax(0,1fr)] max-desk:grid-cols-1">
      {#each things as { told: one, constants, functions }, at (one.id)}
        <dt class="py-1 px-3 border-t min-w-0 wrap-anywhere">
          {say(one.label)}
          {#if one.is}<span class="block unit"
              >{[one.is, ...constants.flatMap(({ setting }) => (setting.id === 'type' ? [String(setting.value)] : []))]
                .map((text) => say(text))
                .join(': ')}</span
            >{/if}
        </dt>
        <dd class="flex flex-wrap content-start gap-x-5 gap-y-0.5 py-1 px-3 border-t max-desk:border-t-0 min-w-0">
          {#each besidesType(things[at]) as { name, setting } (name)}
            {@const says = saysSetting(setting)}
            <span class="wrap-anywhere" title={says.note === '' ? name : `${name}: ${says.note}`}
              ><span class="unit">{says.name}</span> <strong class="font-semibold">{says.value}</strong></span
            >
          {/each}
          {#each one.conversions as { quantity, unit, formula }, i (quantity)}
            <span class="wrap-anywhere"
              ><span class="unit">{quantity} in {unit} of a count from 0 to {formula.counts - 1}:</span>
              <code class="text-row">{functions[i]}(count)</code></span
            >
          {/each}
        </dd>
      {/each}
    </dl>
  {/if}
{:else}
  <p class="p-4 unit">Nothing has a pin or a port yet.</p>
{/each}
