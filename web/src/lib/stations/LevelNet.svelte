<!-- A net and what hangs on it: for each end that reads, what it is given against what it needs, and what it stands. -->
<script lang="ts">
  import { levelAt, pullsToSeveralRails, type Circuit, type Net, type NetEnd } from '@idle-breadboard/core/circuit';
  import { keyOf, removeHelper } from '@idle-breadboard/core/plan';
  import type { Result } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import VoltLadder from '../charts/VoltLadder.svelte';
  import type { AbsoluteMaximum } from '../charts/volt-ladder';
  import Button from '../kit/Button.svelte';
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

  interface Alike {
    readonly key: string;
    readonly ends: readonly NetEnd[];
    readonly results: readonly Result[];
  }
  const shown = (value: number | null) => value?.toPrecision(3);
  /** Ends that are given the same, need the same and stand the same share one ladder. */
  const groups = $derived.by<readonly Alike[]>(() => {
    const found = new Map<string, { ends: NetEnd[]; results: readonly Result[] }>();
    for (const end of net.ends) {
      const results = reads(end);
      const stands = absoluteMaximumOf(end);
      const alone = results.length === 0 || end.controller || end.divider || settled.parts.get(end.part)?.helper;
      const key = alone
        ? keyOf(end.part, end.signal)
        : JSON.stringify([
            end.kind,
            stands && [shown(stands.volts), shown(stands.peak), stands.broken],
            results.map(({ check, severity, measured, limit }) => [check, severity, shown(measured), shown(limit)]),
          ]);
      const group = found.get(key);
      if (group) group.ends.push(end);
      else found.set(key, { ends: [end], results });
    }
    return [...found].map(([key, { ends, results }]) => ({ key, ends, results }));
  });

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
{#each groups as { key, ends, results } (key)}
  {@const subjects = ends.flatMap((end) => [
    keyOf(end.part, end.signal),
    ...(circuit.parts.get(end.part)?.helper || end.divider ? [end.part] : []),
  ])}
  {@const [first] = ends}
  <Row {subjects} depth={1}>
    {#snippet choose()}
      {#each ends as end (end.part + end.signal)}
        {@const feed = feedOf(end)}
        {@const helper = circuit.parts.get(end.part)?.helper}
        <span class="flex flex-wrap items-center gap-x-2 basis-full min-h-row">
          <span>{say(end.label)}</span><span class="unit">{KIND[end.kind]}</span>
          {#if feed && !end.controller && !end.divider}<FeedSelect circuit={settled} {feed} />{/if}
          {#if helper || end.divider}
            <Button aria-label="take out: {say(end.label)}" onclick={() => takeOut(end.part, say(end.label))}
              >Take {end.divider ? 'the divider' : 'the translator'} out</Button
            >
          {/if}
        </span>
      {/each}
    {/snippet}
    {#snippet prove()}
      {#if first && (results.length > 0 || absoluteMaximumOf(first))}
        <VoltLadder
          {results}
          absoluteMaximum={absoluteMaximumOf(first)}
          label={ends.map(({ label }) => say(label)).join(', ')}
        />
        {#if ends.length > 1}<span class="text-quiet">{ends.length} alike:</span>{/if}
        {#each results as result (result.key)}<Proof {result} compact />{/each}
      {:else if first}
        <span class="unit">{silent(first)}</span>
      {/if}
      {#if first && (circuit.parts.get(first.part)?.helper || first.divider)}{#each about(first.part) as result (result.key)}<Proof
            {result}
          />{/each}{/if}
    {/snippet}
  </Row>
{/each}
