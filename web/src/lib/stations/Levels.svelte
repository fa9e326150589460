<script lang="ts">
  import { removeHelper, type Circuit, type Net, type NetEnd } from '@idle-breadboard/core';
  import VoltLadder from '../charts/VoltLadder.svelte';
  import FeedSelect from '../kit/FeedSelect.svelte';
  import Proof from '../kit/Proof.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();

  const LEVELS = ['level/high', 'level/low', 'level/over-voltage'];

  /** Proofs in which this end is the one that reads, or the one that must stand the voltage. */
  function reads(net: Net, end: NetEnd) {
    const id = `${end.part}.${end.signal}`;
    const own = new Set([net.id, ...net.ends.map((e) => `${e.part}.${e.signal}`)]);
    return of(proofs, id, ...LEVELS).filter(
      (r) =>
        (r.check === 'level/over-voltage' ? r.subjects[0] === id : r.subjects[1] === id) &&
        r.subjects.every((s) => own.has(s)),
    );
  }

  function feedOf(end: NetEnd) {
    const part = circuit.parts.get(end.part);
    const signal = part?.card.signals.find(({ id }) => id === end.signal);
    const supply = signal?.reference ?? part?.card.supplies[0]?.id;
    return part?.helper ? undefined : circuit.feeds.get(`${end.part}.${supply}`);
  }

  const KIND: Record<NetEnd['kind'], string> = {
    'push-pull': 'drives',
    'open-drain': 'pulls low',
    input: 'reads',
    bidirectional: 'drives and reads',
    switch: 'contact',
    led: 'light',
    'analog-out': 'analog',
    passive: 'passive',
  };
  const nets = $derived(circuit.nets.filter(({ ends }) => ends.length > 1));
</script>

<Station title="Levels" says="{nets.length} nets, both directions">
  {#each nets as net (net.id)}
    <Row subjects={[net.id]} head>
      {#snippet choose()}
        <span>{net.label}</span>
        {#each net.pullUps as pull, i (i)}<span class="unit font-normal"
            ><Quantity value={pull.ohms.typ} unit="Ω" /> to {circuit.rails.get(pull.rail)?.offer.name ??
              pull.rail}</span
          >{/each}
      {/snippet}
      {#snippet prove()}
        {#each of(proofs, net.id, 'level/no-pull-up') as result (result.key)}<Proof {result} />{/each}
      {/snippet}
    </Row>
    {#each net.ends as end (end.part + end.signal)}
      {@const results = reads(net, end)}
      {@const feed = feedOf(end)}
      {@const helper = circuit.parts.get(end.part)?.helper}
      <Row subjects={[`${end.part}.${end.signal}`]} depth={1}>
        {#snippet choose()}
          <span>{end.label}</span><span class="unit">{KIND[end.kind]}</span>
          {#if feed && !end.controller}<FeedSelect {circuit} {feed} />{/if}
          {#if helper}
            <button
              type="button"
              class="act"
              onclick={() =>
                workbench.plan && workbench.edit(removeHelper(workbench.plan, helper.id), `remove ${end.label}`)}
              >Take the translator out</button
            >
          {/if}
        {/snippet}
        {#snippet prove()}
          {#if results.length > 0}
            <VoltLadder {results} label={end.label} />
            {#each results as result (result.key)}<Proof {result} compact />{/each}
          {:else}
            <span class="unit"
              >{end.kind === 'push-pull'
                ? 'only drives here; the other end proves it'
                : end.kind === 'led'
                  ? 'its resistor is proved at Pins'
                  : 'a contact has no levels of its own'}</span
            >
          {/if}
        {/snippet}
      </Row>
    {/each}
  {:else}
    <p class="p-4 unit">Nothing is connected yet. Add parts at Need.</p>
  {/each}
</Station>
