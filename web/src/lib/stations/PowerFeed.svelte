<!-- One supply of a part: what feeds it and when it works; beside it, what it does in one round, and its proofs. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { Circuit, Feed, Timeline } from '@idle-breadboard/core/circuit';
  import { keyOf, removeHelper } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import LaneStrip from '../charts/LaneStrip.svelte';
  import { tallest } from '../charts/round';
  import FeedSelect from '../kit/FeedSelect.svelte';
  import Proof from '../kit/Proof.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import Row from '../kit/Row.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { workbench } from '../state/workbench.svelte';
  import BesideEdit from './BesideEdit.svelte';
  import CapacitorEdit from './CapacitorEdit.svelte';
  import GroundSelect from './GroundSelect.svelte';
  import LeadEdit from './LeadEdit.svelte';
  import RunEdit from './RunEdit.svelte';

  interface Props {
    circuit: Circuit;
    proofs: Proofs;
    feed: Feed;
    line: Timeline | null;
    depth: number;
  }
  let { circuit, proofs, feed, line, depth }: Props = $props();
  const FEELS_AIR = new Set(['air temperature', 'air humidity']);
  const key = $derived(keyOf(feed.part, feed.supply.id));
  const part = $derived(circuit.parts.get(feed.part));
  const rhythm = $derived(circuit.rhythms.get(feed.part));
  const rail = $derived(circuit.rails.get(feed.rail ?? ''));
  const first = $derived(part?.card.supplies[0]?.id === feed.supply.id);
  const lane = $derived(first ? line?.lanes.find((l) => l.part === feed.part) : undefined);
  const guards = $derived(circuit.guards.filter((g) => g.part === feed.part && g.supply === feed.supply.id));
  const peak = $derived(
    (rail?.loads ?? [])
      .filter(({ subject }) => subject === feed.part || subject.startsWith(`${feed.part}.`))
      .reduce((sum, load) => sum + load.peak, 0),
  );
  const results = $derived([
    ...of(proofs, key, 'supply/range', 'supply/plug', 'supply/back-feed', 'supply/lead-drop'),
    ...(first ? of(proofs, feed.part, 'body/heat', 'supply/pin-ground') : []),
  ]);
  const shown = $derived(results.filter(({ severity, check }) => severity !== null || check === 'supply/range'));
  const quiet = $derived(results.filter((result) => !shown.includes(result)));
</script>

<Row subjects={[key, ...(first ? [feed.part] : [])]} {depth}>
  {#snippet choose()}
    <span class="grow">{say(part?.label ?? feed.part)}</span>
    <Quantity value={peak} unit="A" />
    {#if part && !part.helper}<FeedSelect {circuit} {feed} />{/if}
    {#each guards as guard (guard.helper)}
      <span class="unit inline-flex items-center gap-1"
        >behind a {circuit.cards.get(guard.card)?.name ?? guard.by}<Button
          title="take it out"
          aria-label="take the {guard.by} before {say(part?.label)} out"
          onclick={() =>
            workbench.plan && workbench.edit(removeHelper(workbench.plan, guard.helper), 'take a guard out')}
          ><X size={13} /></Button
        ></span
      >
    {/each}
    {#if part?.choice && first && rhythm && !part.helper}
      <RunEdit {part} {rhythm} switched={(rail?.switches.length ?? 0) > 0} controller={part === circuit.controller} />
      {#if part.choice.fittedOn === undefined}<GroundSelect {circuit} {part} /><LeadEdit
          {circuit}
          {feed}
        /><CapacitorEdit {circuit} {feed} />{/if}
      {#if part.card.measures.some(({ quantity }) => FEELS_AIR.has(quantity))}<BesideEdit {circuit} {part} />{/if}
    {/if}
  {/snippet}
  {#snippet prove()}
    {#if lane && line?.lanes.some(({ rhythm: r }) => r.every !== null)}<LaneStrip
        {lane}
        lanes={line.lanes}
        most={tallest(line.lanes)}
      />{/if}
    {#each quiet as result (result.key)}<Proof {result} compact />{/each}
    {#each shown as result (result.key)}<Proof {result} />{/each}
  {/snippet}
</Row>
