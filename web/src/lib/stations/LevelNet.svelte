<!-- A net and what hangs on it: for each end that reads, what it is given against what it needs, and what it stands. -->
<script lang="ts">
  import { levelAt, pullsToSeveralRails, type Circuit, type Net, type NetEnd } from '@idle-breadboard/core/circuit';
  import { keyOf, removeHelper } from '@idle-breadboard/core/plan';
  import type { Result } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import VoltLadder from '../charts/VoltLadder.svelte';
  import type { AbsoluteMaximum } from '../charts/volt-ladder';
  import FeedSelect from '../kit/FeedSelect.svelte';
  import Proof from '../kit/Proof.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import Row from '../kit/Row.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { workbench } from '../state/workbench.svelte';

  interface Props {
    circuit: Circuit;
    /** The circuit of the plan itself: what is chosen does not change while a value is tried. */
    settled: Circuit;
    net: Net;
    proofs: Proofs;
  }
  let { circuit, settled, net, proofs }: Props = $props();

  const LEVELS = ['level/high', 'level/low', 'level/over-voltage', 'level/unpowered'];
  const HEAD = ['level/mixed-pull-ups', 'level/no-pull-up', 'level/unpowered'];

  const own = $derived(new Set([net.id, ...net.ends.map((e) => keyOf(e.part, e.signal))]));

  /** Proofs in which this end is the one that reads, or the one that must stand the voltage. */
  function reads(end: NetEnd) {
    const id = keyOf(end.part, end.signal);
    return of(proofs, id, ...LEVELS).filter(
      (r) =>
        (r.check === 'level/over-voltage' || r.check === 'level/unpowered'
          ? r.subjects[0] === id
          : r.subjects[1] === id) && r.subjects.every((s) => own.has(s)),
    );
  }

  const head = $derived(
    of(proofs, net.id, ...HEAD).filter(
      ({ severity, check, subjects }) =>
        subjects[0] === net.id && (severity !== null || check === 'level/mixed-pull-ups'),
    ),
  );
  const mixed = $derived(pullsToSeveralRails(net) ? of(proofs, net.id, 'level/mixed-pull-ups')[0] : undefined);

  /** Where pull-ups to several rails meet, the absolute maximum of each end is held against that one voltage. */
  function absoluteMaximumOf(end: NetEnd): AbsoluteMaximum | undefined {
    const level = end.levels.absoluteMax;
    const supply = end.power.voltage;
    if (!mixed || mixed.measured === null || !level || !supply) return undefined;
    const stands = levelAt(level, 'max', supply.min - end.power.drop).volts;
    return { volts: stands, peak: mixed.measured, broken: mixed.measured > stands + 1e-9 };
  }

  function feedOf(end: NetEnd) {
    const part = settled.parts.get(end.part);
    const signal = part?.card.signals.find(({ id }) => id === end.signal);
    const supply = signal?.reference ?? part?.card.supplies[0]?.id;
    return part?.helper ? undefined : settled.feeds.get(keyOf(end.part, supply));
  }

  function takeOut(id: string, label: string) {
    if (workbench.plan) workbench.edit(removeHelper(workbench.plan, id), `remove ${label}`);
  }

  /** Helpers between the sides, with what the checks say of them. */
  const about = (id: string): Result[] =>
    of(proofs, id, 'level/translator', 'level/translated-twice').filter(({ severity }) => severity !== null);

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
  const silent = (end: NetEnd): string =>
    end.divider
      ? 'brings the voltage down; the pin proves it'
      : net.protocol === 'analog' && end.controller
        ? 'what its converter reads is proved below'
        : end.kind === 'led'
          ? 'its resistor is proved at Pins'
          : end.kind === 'switch' || end.kind === 'passive'
            ? 'has no levels of its own'
            : 'only drives here; the other end proves it';
</script>

<Row subjects={[net.id]} head>
  {#snippet choose()}
    <span>{say(net.label)}</span>
    {#each net.pullUps as pull, i (i)}<span class="unit font-normal"
        ><Quantity value={pull.ohms.typ} unit="Ω" /> to {say(
          circuit.rails.get(pull.rail)?.offer.name ?? pull.rail,
        )}</span
      >{/each}
  {/snippet}
  {#snippet prove()}
    {#each head as result (result.key)}<Proof {result} />{/each}
  {/snippet}
</Row>
{#each net.ends as end (end.part + end.signal)}
  {@const results = reads(end)}
  {@const feed = feedOf(end)}
  {@const helper = circuit.parts.get(end.part)?.helper}
  <Row subjects={[keyOf(end.part, end.signal), ...(helper || end.divider ? [end.part] : [])]} depth={1}>
    {#snippet choose()}
      <span>{say(end.label)}</span><span class="unit">{KIND[end.kind]}</span>
      {#if feed && !end.controller && !end.divider}<FeedSelect circuit={settled} {feed} />{/if}
      {#if helper || end.divider}
        <button
          type="button"
          class="act"
          aria-label="take out: {say(end.label)}"
          onclick={() => takeOut(end.part, say(end.label))}
          >Take {end.divider ? 'the divider' : 'the translator'} out</button
        >
      {/if}
    {/snippet}
    {#snippet prove()}
      {#if results.length > 0 || absoluteMaximumOf(end)}
        <VoltLadder {results} absoluteMaximum={absoluteMaximumOf(end)} label={say(end.label)} />
        {#each results as result (result.key)}<Proof {result} compact />{/each}
      {:else}
        <span class="unit">{silent(end)}</span>
      {/if}
      {#each helper || end.divider ? about(end.part) : [] as result (result.key)}<Proof {result} />{/each}
    {/snippet}
  </Row>
{/each}
