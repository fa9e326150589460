<!-- Sources, rails, regulators and every part on them; the tree of currents, the round, heat and runtime. -->
<script lang="ts">
  import { counted, say } from '@idle-breadboard/core/words';
  import { cellRails, railOrder, type Circuit } from '@idle-breadboard/core/circuit';
  import CurrentTree from '../charts/CurrentTree.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import type { Proofs } from '../state/proofs';
  import { soon } from '../state/calm';
  import { whatIfs } from '../state/what-if.svelte';
  import { workbench } from '../state/workbench.svelte';
  import PowerCells from './PowerCells.svelte';
  import PowerFeed from './PowerFeed.svelte';
  import PowerRail from './PowerRail.svelte';
  import Programmers from './Programmers.svelte';
  import { railRows } from './rail-rows';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const rails = $derived(railOrder(circuit).flatMap((ref) => circuit.rails.get(ref) ?? []));
  const sources = $derived(rails.filter(({ offer, pin }) => !offer.from && !pin));
  const cells = $derived(cellRails(circuit));
  const loose = $derived([...circuit.feeds.values()].filter(({ rail }) => rail === null));
  /** One list for all rails: what is moved from one to another keeps its row. */
  const rows = $derived(rails.flatMap((rail) => railRows(circuit, rail)));
  const facts = $derived(`${counted(sources.length, 'source')}, ${counted(rails.length, 'rail')}`);

  $effect(() => {
    const refs = cells.map(({ ref }) => ref);
    if (refs.length > 0 && !workbench.stale) return soon(() => void whatIfs.ask(refs));
    return undefined;
  });

  /** The row of a rail, from the tree. */
  function show(rail: string) {
    document.querySelector(`[data-rail="${CSS.escape(rail)}"]`)?.scrollIntoView({ block: 'start', behavior: 'smooth' });
  }
</script>

<Station title="Power" says={facts}>
  {#if rails.length > 0}
    <Row>
      {#snippet wide()}
        <CurrentTree {circuit} go={show} />
        <p class="text-aside text-quiet mb-1.5">
          Limbs are as wide as the current, the usual inside the peak; brackets mark what may be drawn. Beside a
          regulator: what it turns to heat, and its surface. A rail leads to its row.
        </p>
      {/snippet}
    </Row>
  {/if}
  {#each cells as rail (rail.ref)}<PowerCells {circuit} {proofs} {rail} />{/each}
  <div class="[--round:calc(100%_-_176px)] max-[1001px]:[--round:calc(100%_-_26px)]">
    {#each rows as row (row.key)}
      {#if row.of === 'rail'}
        <div data-rail={row.rail.ref}>
          <PowerRail {circuit} {proofs} rail={row.rail} line={row.line} sources={sources.length} />
        </div>
      {:else if row.of === 'feed'}
        <PowerFeed {circuit} {proofs} feed={row.feed} line={row.line} depth={1} />
      {:else}
        <Row depth={1}>
          {#snippet choose()}<span class="grow unit">{say(row.load.label)}</span><Quantity
              value={row.load.peak}
              unit="A"
            />{/snippet}
          {#snippet prove()}<span class="unit">{say(row.load.sum)}</span>{/snippet}
        </Row>
      {/if}
    {/each}
  </div>
  <Programmers {circuit} {proofs} />
  {#if loose.length > 0}
    <Row head>{#snippet choose()}Not fed{/snippet}</Row>
    {#each loose as feed (feed.part + feed.supply.id)}<PowerFeed
        {circuit}
        {proofs}
        {feed}
        line={null}
        depth={1}
      />{/each}
  {/if}
  {#if rails.length === 0}<p class="p-4 unit">
      No source of power yet. Add one at Need: a wall adapter, then a regulator; or cells.
    </p>{/if}
</Station>
