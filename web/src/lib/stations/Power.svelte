<!-- Sources, rails, regulators and every part on them; the tree of currents, the round, heat and runtime. -->
<script lang="ts">
  import { toInterval } from '@idle-breadboard/core/card';
  import { cellRails, railOrder, railWarmth, type Circuit } from '@idle-breadboard/core/circuit';
  import { say } from '@idle-breadboard/core/words';
  import CurrentTree from '../charts/CurrentTree.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import type { Proofs } from '../state/proofs';
  import { whatIfs } from '../state/what-if.svelte';
  import { workbench } from '../state/workbench.svelte';
  import PowerCells from './PowerCells.svelte';
  import PowerFeed from './PowerFeed.svelte';
  import PowerRail from './PowerRail.svelte';
  import Programmers from './Programmers.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const rails = $derived(railOrder(circuit).flatMap((ref) => circuit.rails.get(ref) ?? []));
  const sources = $derived(rails.filter(({ offer, pin }) => !offer.from && !pin));
  const cells = $derived(cellRails(circuit));
  const loose = $derived([...circuit.feeds.values()].filter(({ rail }) => rail === null));
  const facts = $derived(
    `${sources.length} ${sources.length === 1 ? 'source' : 'sources'}, ${rails.length} ${rails.length === 1 ? 'rail' : 'rails'}`,
  );

  $effect(() => {
    if (cells.length > 0 && !workbench.stale) void whatIfs.ask(cells.map(({ ref }) => ref));
  });

  /** The row of a rail, from the tree. */
  function show(rail: string) {
    document.querySelector(`[data-rail="${CSS.escape(rail)}"]`)?.scrollIntoView({ block: 'start', behavior: 'smooth' });
  }
</script>

<Station title="Power" says={facts}>
  {#if rails.length > 0}
    <Row>
      {#snippet choose()}
        <table class="sums">
          <thead><tr><th class="sr-only">rail</th><th>usually</th><th>peak</th><th>allowed</th><th>heat</th></tr></thead
          >
          <tbody>
            {#each rails.filter(({ loads }) => loads.length > 0) as rail (rail.ref)}
              {@const warm = railWarmth(circuit, rail)}
              {@const allowed = toInterval(rail.offer.limit).min * circuit.plan.rules.derating}
              <tr class:over={rail.peak > allowed}>
                <th scope="row"
                  ><button type="button" class="act" onclick={() => show(rail.ref)}>{say(rail.label)}</button></th
                >
                <td><Quantity value={rail.typical} unit="A" /></td>
                <td class="peak"><Quantity value={rail.peak} unit="A" /></td>
                <td><Quantity value={allowed} unit="A" /></td>
                <td
                  >{#if warm}<Quantity value={warm.watts} unit="W" digits={2} />{/if}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
        <p class="unit legend">
          Limbs are as wide as the current, the usual inside the peak; brackets mark what may be drawn. Beside a
          regulator: what it turns to heat, and its surface.
        </p>
      {/snippet}
      {#snippet prove()}<CurrentTree {circuit} />{/snippet}
    </Row>
  {/if}
  {#each cells as rail (rail.ref)}<PowerCells {circuit} {proofs} {rail} />{/each}
  {#each rails as rail (rail.ref)}
    <div data-rail={rail.ref} class="with-round"><PowerRail {circuit} {proofs} {rail} sources={sources.length} /></div>
  {/each}
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

<style>
  /* The rounds of a rail and of everything on it stand on one axis of time. */
  .with-round {
    --round: calc(100% - 176px);
  }
  @media (max-width: 1000px) {
    .with-round {
      --round: calc(100% - 26px);
    }
  }
  .sums {
    width: 100%;
    table-layout: fixed;
    border-collapse: collapse;
    margin-top: 4px;
  }
  .sums th,
  .sums td {
    padding: 2px 0 2px 10px;
    text-align: right;
    font-weight: 400;
    border-bottom: 1px dotted var(--line);
  }
  .sums th:first-child {
    text-align: left;
    padding-left: 0;
  }
  .sums th:not(:first-child) {
    width: 5.3em;
  }
  .sums button {
    max-width: 100%;
    white-space: normal;
    text-align: left;
  }
  @media (max-width: 759px) {
    .sums th:not(:first-child) {
      width: 4.4em;
    }
    .sums td,
    .sums th {
      padding-left: 2px;
    }
  }
  thead th {
    color: var(--quiet);
  }
  .over .peak {
    color: var(--danger);
    font-weight: 650;
  }
  .legend {
    margin: 6px 0 8px;
  }
</style>
