<!-- Station 8: the steps in their order beside the boards, hole by hole, with the step in hand lit. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { netlistOf, type Circuit } from '@idle-breadboard/core/circuit';
  import { boardDrawing, boardMap, frameOf, leadNumbers } from '@idle-breadboard/core/deliver';
  import { setSpot, setSpots } from '@idle-breadboard/core/plan';
  import { counted, say } from '@idle-breadboard/core/words';
  import Printer from '@lucide/svelte/icons/printer';
  import ZoomIn from '@lucide/svelte/icons/zoom-in';
  import ZoomOut from '@lucide/svelte/icons/zoom-out';
  import BoardMap from '../charts/BoardMap.svelte';
  import { legsMovedBy, movedBy, turnedRound } from '../charts/move-part';
  import { saveBuild, savePdf } from '../kit/plan-actions';
  import Cautions from '../kit/Cautions.svelte';
  import Station from '../kit/Station.svelte';
  import Working from './Working.svelte';
  import { benchView } from '../state/bench-view.svelte';
  import { laying } from '../state/laying.svelte';
  import { telling } from '../state/telling.svelte';
  import { workbench } from '../state/workbench.svelte';
  import BoardChoice from './BoardChoice.svelte';
  import Harness from './Harness.svelte';
  import ReadBack from './ReadBack.svelte';
  import WiringStepRow from './WiringStepRow.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  let paper = $state<'A4' | 'LETTER'>('A4');
  const build = $derived(laying.build);
  const layout = $derived(build?.layout ?? null);
  // The layout shown may be one change older than the plan; its parts may be gone.
  const drawing = $derived(layout && boardDrawing(circuit, layout));
  const netlist = $derived(netlistOf(circuit));
  const step = $derived(benchView.current);
  const whole = $derived(benchView.whole || !step);
  const numbers = $derived(leadNumbers(benchView.steps));
  const keys = $derived(new Set(step?.leads.map(({ key }) => key)));
  /** What is in the board when the step is done. */
  const put = $derived.by(() => {
    if (whole || !step) return null;
    const steps = benchView.steps.slice(0, benchView.steps.indexOf(step) + 1);
    return new Set(steps.flatMap(({ leads }) => leads.map(({ key }) => key)));
  });
  const parts = $derived(
    whole || !step
      ? null
      : new Set([
          ...step.put.map(({ part }) => part),
          ...step.subjects,
          ...step.leads.flatMap(({ from, to }) => [from, to].flatMap((p) => (p.kind === 'terminal' ? [p.part] : []))),
        ]),
  );
  const map = $derived(drawing && boardMap(drawing, numbers, whole ? null : keys));
  /** Parts that are put down now, and those beside the boards that a lead goes to: more of a part in the board is not looked at. */
  const looked = $derived(
    new Set([
      ...(step?.put ?? []).map(({ part }) => part),
      ...(layout?.docked ?? []).flatMap(({ part }) => (parts?.has(part) ? [part] : [])),
    ]),
  );
  const frame = $derived(map && parts ? frameOf(map, keys, looked) : null);
  const stubs = $derived(map?.leads.filter(({ way }) => way === null).length ?? 0);
  let board = $state<BoardMap>();
  const pinned = $derived(new Set(Object.keys(circuit.plan.spots ?? {})));

  /** Two legs: both go together, or are placed again. */
  function moveLegs(helper: string, by: { dx: number; dy: number } | 'turn' | 'free') {
    const plan = workbench.plan;
    const lead = layout?.leads.find(({ of, kind }) => of === helper && kind !== 'lead' && kind !== 'own');
    if (!plan || !layout || !lead || by === 'turn') return;
    const spot = by === 'free' ? null : legsMovedBy(layout, lead, by.dx, by.dy);
    if (spot || by === 'free')
      workbench.edit(setSpot(plan, helper, spot), spot ? `move ${say(lead.value)}` : `let ${say(lead.value)} go`);
    else telling.say(`${say(lead.value)} does not fit there: each of its legs needs a hole.`);
  }

  function move(part: string, by: { dx: number; dy: number } | 'turn' | 'free') {
    if (!circuit.parts.has(part)) {
      moveLegs(part, by);
      return;
    }
    const plan = workbench.plan;
    const seat = layout?.seats.find((s) => s.part === part);
    const node = circuit.parts.get(part);
    if (!plan || !layout || !seat || !node) return;
    if (by === 'free') {
      if (plan.spots?.[part]) workbench.edit(setSpot(plan, part, null), `let ${say(node.label)} go`);
      return;
    }
    const spot = by === 'turn' ? turnedRound(layout, node.card, seat) : movedBy(layout, node.card, seat, by.dx, by.dy);
    if (spot) workbench.edit(setSpot(plan, part, spot), `move ${say(node.label)}`);
    else telling.say(`${say(node.label)} does not fit there: each of its pins needs a hole of its own.`);
  }

  function keepAll() {
    if (!workbench.plan || !layout) return;
    const legs = layout.leads.flatMap(({ of, kind, from, to }) =>
      kind !== 'lead' && kind !== 'own' && from.kind === 'hole' && to.kind === 'hole'
        ? [[of, { hole: from.hole, to: to.hole }] as const]
        : [],
    );
    const spots = Object.fromEntries([
      ...layout.seats.map(({ part, hole, turned }) => [part, { hole, turned }] as const),
      ...legs,
    ]);
    workbench.edit(setSpots(workbench.plan, spots), 'keep all places');
  }
</script>

<Station title="Wiring" says={build ? `${benchView.count} of ${benchView.steps.length}` : 'laying out'}>
  {#snippet tools()}
    <Button onclick={() => window.print()}><Printer size={14} />Print</Button>
    <Select
      label="paper of the PDF"
      value={paper}
      choices={[
        { value: 'A4', label: 'A4' },
        { value: 'LETTER', label: 'Letter' },
      ]}
      change={(to) => (paper = to === 'LETTER' ? to : 'A4')}
    />
    <Button onclick={() => savePdf(paper)}>PDF</Button>
    <Button onclick={() => saveBuild('svg')}>SVG</Button>
    <Button onclick={() => saveBuild('wiring.csv')}>CSV</Button>
    <Button onclick={() => saveBuild('sheet')}>Sheet</Button>
  {/snippet}
  {#if map && layout}
    <div
      class="map sticky top-[var(--heads)] z-3 min-w-0 py-1 px-2.5 bg-board border-b border-b-quiet max-desk:top-0 max-desk:px-1.5"
    >
      <div class="flex flex-wrap gap-x-2.5 gap-y-1 items-center min-h-7.5">
        <strong>{whole || !step ? 'All leads' : `Step ${benchView.steps.indexOf(step) + 1}: ${say(step.title)}`}</strong
        >
        <span class="unit says text-aside max-desk:hidden"
          >{stubs > 0
            ? `${stubs} of ${counted(map.leads.length, 'lead')} found no way clear of the others: the number stands at both ends`
            : `${counted(map.leads.length, 'lead')}, none crosses another`}</span
        >
        <span class="grow"></span>
        <Button kind="bare" aria-label="from afar" onclick={() => board?.scaleBy(0.8)}><ZoomOut size={15} /></Button>
        <Button kind="bare" aria-label="closer" onclick={() => board?.scaleBy(1.25)}><ZoomIn size={15} /></Button>
        <Button class="max-desk:hidden" onclick={() => board?.fitWhole()}>whole</Button>
        {#if !whole}<Button class="max-desk:hidden" onclick={() => board?.fitStep()}>step</Button>{/if}
        <label class="unit"><Tick bind:checked={benchView.whole} /> all leads</label>
        <Button class="max-desk:hidden" disabled={layout.seats.length === 0} onclick={keepAll}>Keep all places</Button>
        <Button
          class="max-desk:hidden"
          disabled={pinned.size === 0}
          onclick={() => workbench.plan && workbench.edit(setSpots(workbench.plan, null), 'place everything anew')}
          >Place anew</Button
        >
      </div>
      <div
        class="h-[calc(58cqh_-_var(--heads))] min-h-60 flex border bg-bench data-whole:h-[calc(86cqh_-_var(--heads))] max-desk:h-[42cqh] max-desk:min-h-37.5"
        data-whole={whole || undefined}
      >
        <BoardMap
          bind:this={board}
          {map}
          label="Boards with the leads of {say(step && !whole ? step.title : 'the whole build')}"
          {put}
          {parts}
          {frame}
          {pinned}
          selected={benchView.part}
          select={(part) => (benchView.part = part)}
          {move}
        />
      </div>
    </div>
  {/if}
  <div class="grid grid-cols-[calc(var(--split)_*_100%)_minmax(0,1fr)] items-start border-b max-desk:grid-cols-1">
    <div class="min-w-0 pr-2"><BoardChoice {circuit} /></div>
    <div class="min-w-0 pl-5 pr-2.5 max-desk:pl-2.5">
      <ReadBack />
      {#if layout}<p class="unit says mb-1 text-aside max-desk:hidden">
          {(layout.length * 100).toFixed(0)} cm of leads between holes. Drag a part, or focus it and use the arrow keys; T
          turns it, Delete lets it go. The rest flows round what you put down.
        </p>{/if}
    </div>
  </div>
  {#if build}
    <Cautions wiring={build.wiring} />
    <ol>
      {#each benchView.steps as one, i (one.key)}
        <WiringStepRow
          {circuit}
          {netlist}
          step={one}
          number={i + 1}
          current={one.key === step?.key}
          done={benchView.done.has(one.key)}
        />
      {/each}
    </ol>
    <Harness changes={build.wiring.harness} />
  {:else}<Working says="The boards are laid out and every lead is led." />{/if}
</Station>
