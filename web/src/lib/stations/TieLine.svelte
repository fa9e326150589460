<!-- A terminal that rests nowhere by itself: tied to ground or to a supply of its part. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import type { Terminal } from '@idle-breadboard/core/card';
  import type { PartNode } from '@idle-breadboard/core/circuit';
  import { changePart } from '@idle-breadboard/core/plan';
  import type { Result } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import Proof from '../kit/Proof.svelte';
  import Row from '../kit/Row.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { part, terminal, results }: { part: PartNode; terminal: Terminal; results: readonly Result[] } = $props();
  const named = (id: string) => part.card.terminals.find((t) => t.id === id)?.label ?? id;

  function tie(to: string) {
    if (!workbench.plan) return;
    const plan = changePart(workbench.plan, part.id, ({ ties, ...choice }) => {
      const rest = Object.fromEntries(Object.entries(ties ?? {}).filter(([id]) => id !== terminal.id));
      const next = to ? { ...rest, [terminal.id]: to } : rest;
      return Object.keys(next).length > 0 ? { ...choice, ties: next } : choice;
    });
    workbench.edit(plan, `tie ${terminal.label} of ${say(part.label)}`);
  }
</script>

<Row subjects={[part.id, terminal.id]}>
  {#snippet choose()}
    <span class="grow">{say(part.label)} <span class="unit">{terminal.label} tied to</span></span>
    <Select
      label="{terminal.label} of {say(part.label)} is tied to"
      value={part.choice?.ties?.[terminal.id] ?? ''}
      choices={[
        { value: '', label: 'nothing' },
        { value: 'ground', label: 'ground' },
        ...part.card.supplies.map((supply) => ({ value: supply.id, label: named(supply.terminal) })),
      ]}
      ahead
      change={tie}
    />
  {/snippet}
  {#snippet prove()}{#each results as result (result.key)}<Proof {result} />{/each}{/snippet}
</Row>
