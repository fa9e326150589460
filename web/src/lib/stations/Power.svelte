<!-- Sources, rails, regulators and every part on them; the tree of currents, the round, heat and runtime. -->
<script lang="ts">
  import { counted, say } from '@idle-breadboard/core/words';
  import { cellRails, railOrder, type Circuit } from '@idle-breadboard/core/circuit';
  import InSight from '../kit/InSight.svelte';
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

  let list = $state<HTMLElement>();
  let order = '';
  // A row that moves takes the focus out of what is in it, and that in the middle of all that changes lays everything out
  // once more. What has it gives it up before; the frame gives it back.
  $effect.pre(() => {
    const now = rows.map(({ key }) => key).join(' ');
    const had = document.activeElement;
    if (now !== order && had instanceof HTMLButtonElement && list?.contains(had)) had.blur();
    order = now;
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
        <InSight given={circuit}>{#snippet children(given)}<CurrentTree circuit={given} go={show} />{/snippet}</InSight>
        <p class="text-aside text-quiet mb-1.5">
          Limbs are as wide as the current, the usual inside the peak; brackets mark what may be drawn. Beside a
          regulator: what it turns to heat, and its surface. A rail leads to its row.
        </p>
      {/snippet}
    </Row>
  {/if}
  {#each cells as rail (rail.ref)}<InSight given={{ circuit, proofs, rail }}
      >{#snippet children(given)}<PowerCells {...given} />{/snippet}</InSight
    >{/each}
  <div class="[--round:calc(100%_-_176px)] max-[1001px]:[--round:calc(100%_-_26px)]" bind:this={list}>
    {#each rows as row (row.key)}
      {#if row.of === 'rail'}
        <div data-rail={row.rail.ref}>
          <InSight given={{ circuit, proofs, rail: row.rail, line: row.line, sources: sources.length }}>
            {#snippet children(given)}<PowerRail {...given} />{/snippet}
          </InSight>
        </div>
      {:else if row.of === 'feed'}
        <InSight given={{ circuit, proofs, feed: row.feed, line: row.line, depth: 1 }}>
          {#snippet children(given)}<PowerFeed {...given} />{/snippet}
        </InSight>
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
  <InSight given={{ circuit, proofs }}>{#snippet children(given)}<Programmers {...given} />{/snippet}</InSight>
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
