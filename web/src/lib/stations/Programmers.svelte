<!-- What is there only while a program is loaded: what it feeds, where its lines are, and what is proved of that state. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import { pinUses, visits, type Circuit } from '@idle-breadboard/core/circuit';
  import { type PartChoice, changePart, keyOf, removePart, setPin } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import Proof from '../kit/Proof.svelte';
  import Row from '../kit/Row.svelte';
  import type { Proofs } from '../state/proofs';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const visitors = $derived(circuit.plan.parts.filter(visits));
  const uses = $derived(pinUses(circuit));
  const results = $derived(
    [...new Set([...proofs.values()].flat())].filter(({ check }) => check === 'supply/programming'),
  );

  interface Line {
    readonly port: string;
    readonly line: string;
    readonly label: string;
    readonly pin: string | null;
  }
  const linesOf = (part: PartChoice): Line[] => {
    const card = circuit.cards.get(part.card);
    return (card?.ports ?? []).flatMap((port) =>
      Object.entries(port.lines).map(([line, id]) => {
        const terminal = card?.signals.find((signal) => signal.id === id)?.terminal;
        return {
          port: port.id,
          line,
          label: card?.terminals.find((t) => t.id === terminal)?.label ?? line,
          pin: part.ports[port.id]?.lines?.[line]?.pin ?? null,
        };
      }),
    );
  };

  /** Supplies that it could feed, and the one that it does. */
  const supplies = $derived(
    [...circuit.parts.values()].flatMap(({ id, label, card, helper }) =>
      helper || !card.controller
        ? []
        : card.supplies.map((supply) => ({
            key: `${id} ${supply.id}`,
            part: id,
            supply: supply.id,
            label: `${card.terminals.find((t) => t.id === supply.terminal)?.label ?? supply.id} of ${say(label)}`,
          })),
    ),
  );
  const railOf = (part: PartChoice) => keyOf(part.id, circuit.cards.get(part.card)?.rails?.[0]?.id);
  const fedBy = (part: PartChoice) =>
    supplies.find(({ part: id, supply }) => circuit.parts.get(id)?.choice?.also?.[supply] === railOf(part))?.key ?? '';

  function feed(part: PartChoice, key: string) {
    const { plan } = workbench;
    if (!plan) return;
    const bare = plan.parts.reduce(
      (p, { id, also }) =>
        also
          ? changePart(p, id, ({ also: _old, ...rest }) => {
              const left = Object.entries(also).filter(([, rail]) => rail !== railOf(part));
              return left.length > 0 ? { ...rest, also: Object.fromEntries(left) } : rest;
            })
          : p,
      plan,
    );
    const to = supplies.find((supply) => supply.key === key);
    const fed = to
      ? changePart(bare, to.part, (p) => ({ ...p, also: { ...p.also, [to.supply]: railOf(part) } }))
      : bare;
    workbench.edit(fed, `what ${part.label} feeds`);
  }
</script>

{#if visitors.length > 0}
  <Row head>{#snippet choose()}Only while a program is loaded{/snippet}</Row>
  {#each visitors as part (part.id)}
    <Row subjects={[part.id]}>
      {#snippet choose()}
        <span class="grow">{part.label}</span>
        {#each linesOf(part) as { port, line, label, pin } (port + line)}
          <label class="unit"
            >{label} to
            <Select
              label="pin of {label} of {part.label}"
              value={pin ?? ''}
              choices={[
                { value: '', label: 'none' },
                ...uses.map((use) => ({ value: use.pin.terminal, label: use.label })),
              ]}
              ahead
              change={(to) => {
                if (workbench.plan)
                  workbench.edit(
                    setPin(workbench.plan, keyOf(part.id, port), line, { pin: to || null, locked: false }),
                    `pin of ${part.label}`,
                  );
              }}
            /></label
          >
        {/each}
        <Select
          label="what {part.label} feeds"
          value={fedBy(part)}
          choices={[
            { value: '', label: 'feeds nothing' },
            ...supplies.map(({ key, label }) => ({ value: key, label: `feeds ${label}` })),
          ]}
          ahead
          change={(to) => feed(part, to)}
        />
        <Button
          title="take it out"
          aria-label="take {part.label} out"
          onclick={() =>
            workbench.plan && workbench.edit(removePart(workbench.plan, part.id), `take ${part.label} out`)}
          ><X size={13} /></Button
        >
      {/snippet}
      {#snippet prove()}{#each results as result (result.key)}<Proof {result} />{/each}{/snippet}
    </Row>
  {/each}
{/if}
