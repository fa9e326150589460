<!-- What the software of a build must be told: type, address, clock, interval, curve of every part, out of the plan. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { type Named, takesOverlay } from '@idle-breadboard/core/files';
  import { say, saysSetting } from '@idle-breadboard/core/words';
  import Button from '../kit/Button.svelte';
  import { saveFile } from '../kit/save-file';
  import { logbook } from '../state/logbook.svelte';
  import { readings } from '../state/readings.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  let all = $state.raw<readonly Named[]>([]);
  /** Of the circuit that is shown; one that comes late is not taken. */
  let asked = 0;
  $effect(() => void logbook.open());
  $effect(() => {
    void circuit;
    const mine = ++asked;
    void workbench.asks.settings(readings.corrections).then((found) => {
      if (mine === asked) all = found;
    });
  });
  const KINDS = [
    ['part', 'Parts'],
    ['trigger', 'Triggers'],
    ['bus', 'Buses'],
    ['pin', 'Lines'],
  ] as const;
  /** What stands in a row: what a part is goes below its name, and what has nothing else to be told is left out. */
  const rows = $derived(
    all.flatMap(({ group, constants, functions }) => {
      const type = constants.flatMap(({ setting }) => (setting.id === 'type' ? [String(setting.value)] : []));
      const values = constants
        .filter(({ setting }) => setting.id !== 'type')
        .map(({ name, setting }) => ({ constant: name, says: saysSetting(setting) }));
      const curves = group.conversions.map(({ quantity, unit, formula }, i) => ({
        name: functions[i] ?? '',
        says: `${quantity} in ${unit} of a count from 0 to ${formula.counts - 1}`,
      }));
      const is = [...(group.is === null ? [] : [say(group.is)]), ...type].join(': ');
      return values.length + curves.length === 0
        ? []
        : [{ id: group.id, kind: group.kind, label: say(group.label), is, values, curves }];
    }),
  );

  async function save(as: 'c' | 'python' | 'json' | 'overlay') {
    const ending = { c: 'h', python: 'py', json: 'json', overlay: 'dts' }[as];
    saveFile(`settings.${ending}`, await workbench.asks.programFile(as, readings.corrections), 'text/plain');
  }
</script>

<div class="flex flex-wrap items-center gap-x-1.5 gap-y-1 py-2 px-3 border-b">
  <span class="max-w-prose mr-auto"
    >What the program must be told. In the files each value has a name, made of what it is of.</span
  >
  <Button onclick={() => save('c')}>C header</Button>
  <Button onclick={() => save('python')}>Python</Button>
  <Button onclick={() => save('json')}>JSON</Button>
  {#if takesOverlay(circuit)}<Button onclick={() => save('overlay')}>Device tree</Button>{/if}
</div>
{#each KINDS as [kind, title] (kind)}
  {#if rows.some((row) => row.kind === kind)}
    <h2 class="pt-3 pb-1 px-3 text-group font-semibold">{title}</h2>
    <dl class="grid grid-cols-[minmax(11rem,24%)_minmax(0,1fr)] max-desk:grid-cols-1">
      {#each rows.filter((row) => row.kind === kind) as { id, label, is, values, curves } (id)}
        <dt class="py-1 px-3 border-t min-w-0 wrap-anywhere">
          {label}
          {#if is}<span class="block unit">{is}</span>{/if}
        </dt>
        <dd class="flex flex-wrap content-start gap-x-5 gap-y-0.5 py-1 px-3 border-t max-desk:border-t-0 min-w-0">
          {#each values as { constant, says } (constant)}
            <span class="wrap-anywhere" title={says.note === '' ? constant : `${constant}: ${says.note}`}
              ><span class="unit">{says.name}</span> <strong class="font-semibold">{says.value}</strong></span
            >
          {/each}
          {#each curves as { name, says } (name)}
            <span class="wrap-anywhere"
              ><span class="unit">{says}:</span> <code class="text-row">{name}(count)</code></span
            >
          {/each}
        </dd>
      {/each}
    </dl>
  {/if}
{:else}
  <p class="p-4 unit">Nothing has a pin or a port yet.</p>
{/each}
