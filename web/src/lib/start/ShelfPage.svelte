<!-- The first screen while no plan is open: what this is, three doors, and the plans by their drawings. -->
<script lang="ts">
  import { counted } from '@idle-breadboard/core/words';
  import type { PlanDocument } from '@idle-breadboard/core/plan';
  import { onMount } from 'svelte';
  import { demoPlans } from '../catalogue';
  import { exportStored, startPlan } from '../kit/actions';
  import Button from '../kit/Button.svelte';
  import { glancing } from '../state/glancing.svelte';
  import { telling } from '../state/telling.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import ShelfKeeping from './ShelfKeeping.svelte';
  import PlanTile from './PlanTile.svelte';
  import PlanPicture from './PlanPicture.svelte';

  let { openFile, shown }: { openFile: () => void; /** Called once this is on the screen. */ shown: () => void } =
    $props();
  let shipped = $state.raw<readonly PlanDocument[]>([]);
  const night = $derived(view.theme === 'dark');
  const keyOf = ({ plan }: PlanDocument) => `shipped ${plan.id} ${night}`;
  const glances = $derived(shipped.flatMap((one) => ({ one, glance: glancing.of(keyOf(one)) })));
  /** Of the plans that ship, the largest in which the checks find nothing to settle, and the one with most. */
  const sorted = $derived(
    glances.filter(({ glance }) => glance).sort((a, b) => (b.glance?.parts ?? 0) - (a.glance?.parts ?? 0)),
  );
  const finished = $derived(sorted.find(({ glance }) => glance?.open === 0));
  const faulty = $derived(sorted.toSorted((a, b) => (b.glance?.open ?? 0) - (a.glance?.open ?? 0))[0]);

  onMount(async () => {
    shown();
    shipped = await demoPlans();
  });
  $effect(() => {
    for (const one of shipped) void glancing.ask(keyOf(one), one, night);
  });

  /** One that lies on the shelf already is opened as it stands there. */
  async function look(document: PlanDocument, station: 'overview' | 'levels') {
    const there = workbench.plans.find(({ id }) => id === document.plan.id);
    if (there) return view.open(there.id, station);
    await workbench.openNew(document);
    view.goTo(station);
  }
</script>

{#snippet door(title: string, says: string, act: (() => void) | undefined, first = false)}
  <button
    type="button"
    class="group grid gap-0.5 w-full rounded-sm border border-line bg-raised px-4 py-2.5 text-left enabled:hover:border-copper enabled:hover:bg-copper-soft disabled:opacity-60 data-first:border-copper data-first:border-2"
    data-first={first || undefined}
    data-door
    disabled={!act}
    onclick={() => act?.()}
  >
    <span class="text-group font-semibold text-copper">{title}</span>
    <span>{says}</span>
  </button>
{/snippet}

<section class="mx-auto max-w-[1180px] px-6 py-7 max-desk:px-3 max-desk:py-4" aria-label="shelf">
  {#if telling.leftOut}
    {@const { id, name, why } = telling.leftOut}
    <div class="mb-5 flex flex-wrap items-center gap-x-4 gap-y-2 border-l-4 border-l-fault pl-3" role="alert">
      <p class="grow basis-[26em]">
        {why === 'failed'
          ? `${name} could not be worked out when it was opened last. It lies below as it is stored.`
          : `${name} could not be opened: what is stored of it is no whole plan. It is left as it is stored.`}
      </p>
      <span class="flex gap-2">
        <Button onclick={() => exportStored(id, name)}>Export it as it is stored</Button>
        <Button onclick={() => view.open(id)}>Try to open it</Button>
      </span>
    </div>
  {/if}
  <div class="grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)] gap-8 items-center max-desk:grid-cols-1 max-desk:gap-4">
    <div>
      <h1 class="text-[28px] leading-[1.2] font-semibold mb-5 max-desk:text-title max-desk:mb-3">
        Plan a sensor build, and have every level, address, pin and current proved before you touch a wire.
      </h1>
      <div class="grid gap-2">
        {@render door(
          'Start my build',
          'Pick what it is to sense, show and drive; whole sets are found and proved.',
          () => void view.leave(true),
          true,
        )}
        {@render door(
          'Look at a finished one',
          finished?.glance
            ? `“${finished.one.plan.name}”: ${counted(finished.glance.parts, 'part')}, ${counted(finished.glance.proofs, 'proof')} on paper.`
            : 'A plan that is proved on paper.',
          finished && (() => void look(finished.one, 'overview')),
        )}
        {@render door(
          'Mend a faulty one',
          faulty?.glance
            ? `“${faulty.one.plan.name}”: ${counted(faulty.glance.parts, 'part')}, ${counted(faulty.glance.open, 'thing')} to settle.`
            : 'A plan with much to settle.',
          faulty && (() => void look(faulty.one, 'overview')),
        )}
      </div>
      <p class="mt-3 flex flex-wrap items-center gap-2">
        <Button onclick={startPlan}>Start an empty plan</Button>
        <Button onclick={openFile}>Import a file</Button>
        <Button onclick={() => view.openCatalogue()}>Catalogue of cards</Button>
      </p>
    </div>
    <PlanPicture
      svg={finished?.glance?.svg ?? ''}
      alt="A build as one drawing: what feeds it, its controller, and a row for each line to its parts."
      class="h-[340px] max-desk:h-44"
    />
  </div>
  {#if workbench.plans.length > 0}
    <h2 class="mt-8 mb-2 text-group font-semibold">Plans on this shelf</h2>
    <ul class="grid grid-cols-[repeat(auto-fill,minmax(250px,1fr))] gap-3" aria-label="plans">
      {#each workbench.plans as plan (plan.id)}<li><PlanTile {...plan} {night} /></li>{/each}
    </ul>
  {/if}
  <ShelfKeeping />
  <p class="mt-6 text-aside text-quiet">
    Plans stay in this browser. Where a build can hurt someone (mains, gas, lithium, heat), local codes and licensed
    practice come before anything that is said here.
    <a class="underline text-copper" href="/third-party.txt" target="_blank" rel="external">Licences of what ships</a>
  </p>
</section>
