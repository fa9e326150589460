<!-- What went wrong around the plan, until it is settled: each with what still works and how to get the work out. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { doExport } from '../kit/actions';
  import { telling } from '../state/telling.svelte';
  import { workbench } from '../state/workbench.svelte';
  import {
    saidOfApart,
    saidOfNewer,
    saidOfNoCatalogue,
    saidOfNoStore,
    saidOfUnsaved,
    type Said,
  } from './trouble-words';

  let { fetchCatalogue }: { fetchCatalogue: () => Promise<void> } = $props();

  interface Trouble extends Said {
    readonly key: string;
    readonly acts: readonly (readonly [string, () => void])[];
  }
  const { saving } = workbench;
  const exportPlan = $derived(workbench.plan ? [['Export the plan', () => void doExport()] as const] : []);
  const troubles = $derived<readonly Trouble[]>([
    ...(telling.onlyHere ? [{ key: 'only here', ...saidOfNoStore(telling.onlyHere), acts: exportPlan }] : []),
    ...(telling.newer
      ? [
          {
            key: 'newer',
            ...saidOfNewer(saving.unsaved),
            acts: [...exportPlan, ['Reload', () => location.reload()] as const],
          },
        ]
      : saving.trouble
        ? [
            {
              key: 'unsaved',
              ...saidOfUnsaved(saving.trouble, saving.unsaved),
              acts: [...exportPlan, ['Try again', () => saving.again()] as const],
            },
          ]
        : []),
    ...(telling.noCatalogue
      ? [
          {
            key: 'catalogue',
            ...saidOfNoCatalogue(telling.noCatalogue),
            acts: [['Try again', () => void fetchCatalogue()] as const],
          },
        ]
      : []),
    ...(telling.apart
      ? [{ key: 'apart', ...saidOfApart(telling.apart), acts: [['Understood', () => (telling.apart = '')] as const] }]
      : []),
  ]);
</script>

{#each troubles as { key, what, then, acts } (key)}
  <div
    class="trouble screen-only flex flex-wrap items-center gap-x-4 gap-y-1 px-3 py-1.5 border-b border-l-4 border-l-fault bg-raised"
    role="alert"
    data-trouble={key}
  >
    <p class="grow basis-[30em]"><strong class="font-semibold">{what}</strong> {then}</p>
    <span class="flex gap-2"
      >{#each acts as [label, act] (label)}<Button onclick={act}>{label}</Button>{/each}</span
    >
  </div>
{/each}
