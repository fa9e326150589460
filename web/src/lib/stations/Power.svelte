<script lang="ts">
  import { formatQuantity, type Circuit } from '@idle-breadboard/core';
  import RailBar from '../charts/RailBar.svelte';
  import FeedSelect from '../kit/FeedSelect.svelte';
  import Proof from '../kit/Proof.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { of, type Proofs } from '../state/proofs';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const rails = $derived([...circuit.rails.values()]);
  const feedsOf = (rail: string | null) => [...circuit.feeds.values()].filter((feed) => feed.rail === rail);
  const loose = $derived(feedsOf(null));
  /** Loads of a rail that are no part with a feed of its own: pull-ups, lights, the board itself. */
  const others = (ref: string) => {
    const fed = new Set(feedsOf(ref).map(({ part }) => part));
    return (
      circuit.rails.get(ref)?.loads.filter(({ subject }) => !fed.has(subject) && !circuit.rails.has(subject)) ?? []
    );
  };
  const drawn = (ref: string, part: string) =>
    circuit.rails.get(ref)?.loads.filter(({ subject }) => subject === part || subject.startsWith(`${part}.`)) ?? [];
</script>

<Station title="Power" says="every part on a rail, worst case">
  {#each rails as rail (rail.ref)}
    <Row subjects={[rail.ref]} head>
      {#snippet choose()}
        <span class="grow">{rail.label}</span>
        {#if rail.voltage}<span class="unit font-normal value"
            >{formatQuantity(rail.voltage.min, 'V')}–{formatQuantity(rail.voltage.max, 'V')}</span
          >{/if}
        <RailBar {rail} derating={circuit.plan.rules.derating} />
      {/snippet}
      {#snippet prove()}
        {#each of(proofs, rail.ref, 'supply/rail-current') as result (result.key)}<Proof {result} />{:else}<span
            class="unit">nothing draws from it</span
          >{/each}
      {/snippet}
    </Row>
    {#each feedsOf(rail.ref) as feed (feed.part + feed.supply.id)}
      <Row subjects={[`${feed.part}.${feed.supply.id}`]} depth={1}>
        {#snippet choose()}
          <span class="grow">{circuit.parts.get(feed.part)?.label}</span>
          <span
            title={drawn(rail.ref, feed.part)
              .map(({ label, sum }) => `${label}: usually ${sum}`)
              .join('; ')}
            ><Quantity value={drawn(rail.ref, feed.part).reduce((total, { peak }) => total + peak, 0)} unit="A" /></span
          >
          {#if !circuit.parts.get(feed.part)?.helper}<FeedSelect {circuit} {feed} />{/if}
        {/snippet}
        {#snippet prove()}{#each of(proofs, `${feed.part}.${feed.supply.id}`, 'supply/range') as result (result.key)}<Proof
              {result}
            />{/each}{/snippet}
      </Row>
    {/each}
    {#each others(rail.ref) as load, i (i)}
      <Row depth={1}>
        {#snippet choose()}<span class="grow unit">{load.label}</span><Quantity value={load.peak} unit="A" />{/snippet}
        {#snippet prove()}<span class="unit">{load.sum}</span>{/snippet}
      </Row>
    {/each}
  {/each}
  {#if loose.length > 0}
    <Row head>{#snippet choose()}Not fed{/snippet}</Row>
    {#each loose as feed (feed.part + feed.supply.id)}
      <Row subjects={[`${feed.part}.${feed.supply.id}`]} depth={1}>
        {#snippet choose()}<span class="grow">{circuit.parts.get(feed.part)?.label}</span><FeedSelect
            {circuit}
            {feed}
          />{/snippet}
        {#snippet prove()}{#each of(proofs, `${feed.part}.${feed.supply.id}`, 'supply/range') as result (result.key)}<Proof
              {result}
            />{/each}{/snippet}
      </Row>
    {/each}
  {/if}
  {#if rails.length === 0}<p class="p-4 unit">
      No source of power yet. Add one at Need: a wall adapter, then a regulator.
    </p>{/if}
</Station>
