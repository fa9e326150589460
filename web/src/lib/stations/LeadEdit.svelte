<!-- How long and how thick the leads of a supply are, and whether another rail meets it there. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { wordsAsChoices } from '../kit/choice';
  import type { Circuit, Feed } from '@idle-breadboard/core/circuit';
  import { LEAD_GAUGES } from '@idle-breadboard/core/figures';
  import { CABLES, changePart, type PartChoice } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import QuantityField from '../kit/QuantityField.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, feed }: { circuit: Circuit; feed: Feed } = $props();
  const part = $derived(circuit.parts.get(feed.part));
  const label = $derived(part?.label ?? feed.part);
  const terminal = $derived(
    part?.card.terminals.find(({ id }) => id === feed.supply.terminal)?.label ?? feed.supply.id,
  );
  const also = $derived(part?.choice?.also?.[feed.supply.id] ?? '');
  /** Rails of other sources: only those can push into each other. */
  const others = $derived.by(() => {
    const source = circuit.rails.get(feed.rail ?? '')?.source;
    return [...circuit.rails.values()].filter(
      (rail) =>
        !rail.pin && rail.part !== feed.part && rail.ref !== feed.rail && (rail.source !== source || rail.ref === also),
    );
  });

  const change = (next: (choice: PartChoice) => PartChoice, what: string) =>
    workbench.plan && workbench.edit(changePart(workbench.plan, feed.part, next), `${what} of ${say(label)}`);

  function meet(rail: string) {
    change(({ also: old, ...choice }) => {
      const rest = Object.fromEntries(Object.entries(old ?? {}).filter(([supply]) => supply !== feed.supply.id));
      const next = rail ? { ...rest, [feed.supply.id]: rail } : rest;
      return Object.keys(next).length > 0 ? { ...choice, also: next } : choice;
    }, 'second feed');
  }
</script>

<span class="unit inline-flex flex-wrap items-center gap-x-1 gap-y-0.5 pb-1">
  leads <QuantityField
    value={feed.lead.length}
    unit="m"
    width="5em"
    label="leads to {say(label)}"
    check={(v) => (v > 0 && v <= 1000 ? null : 'from above 0 to 1000 m')}
    ahead
    change={(lead) => change((choice) => ({ ...choice, lead }), 'leads')}
  />
  of gauge
  <Select
    label="gauge of the leads to {say(label)}"
    value={String(feed.lead.gauge)}
    choices={[...new Set([feed.lead.gauge, ...LEAD_GAUGES])]
      .sort((a, b) => b - a)
      .map((gauge) => ({ value: String(gauge), label: String(gauge) }))}
    ahead
    change={(to) => change((choice) => ({ ...choice, gauge: Number(to) }), 'gauge of the leads')}
  />
  <Select
    label="cable to {say(label)}"
    value={part?.choice?.cable ?? 'loose'}
    choices={wordsAsChoices(CABLES)}
    ahead
    change={(to) => {
      const cable = CABLES.find((c) => c === to);
      change(({ cable: _old, ...choice }) => (cable && cable !== 'loose' ? { ...choice, cable } : choice), 'cable');
    }}
  />
  {#if others.length > 0}
    also fed from <Select
      label="second feed of {terminal} of {say(label)}"
      class="w-[9em]"
      value={also}
      choices={[
        { value: '', label: 'nothing' },
        ...others.map((rail) => ({ value: rail.ref, label: say(rail.label) })),
      ]}
      ahead
      change={meet}
    />
  {/if}
</span>
