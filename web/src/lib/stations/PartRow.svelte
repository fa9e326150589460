<!-- A chosen part: its name, its card, what could stand in for it. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import { wordOf } from '@idle-breadboard/core/figures';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import {
    buyingOf,
    changePart,
    chosenOffer,
    needName,
    setMode,
    removePart,
    setLocked,
    swapCard,
    type PartChoice,
    type Plan,
  } from '@idle-breadboard/core/plan';
  import { rivals } from '@idle-breadboard/core/solve';
  import { say } from '@idle-breadboard/core/words';
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import X from '@lucide/svelte/icons/x';
  import Row from '../kit/Row.svelte';
  import TextField from '../kit/TextField.svelte';
  import { money } from '../kit/words';
  import { workbench } from '../state/workbench.svelte';

  let {
    circuit,
    part,
    edit,
  }: { circuit: Circuit; part: PartChoice; edit: (change: (plan: Plan) => Plan, why: string) => void } = $props();
  const node = $derived(circuit.parts.get(part.id));
  const others = $derived(node ? rivals(circuit, workbench.library, node) : []);
  const offer = $derived(node && chosenOffer(node.card, buyingOf(circuit.plan)));
  /** What it speaks in each of its modes. */
  const modes = $derived.by(() => {
    const card = circuit.cards.get(part.card);
    const said = (id: string) => card?.ports.find((port) => port.id === id)?.protocol;
    return (card?.modes ?? []).map((ports) =>
      ports
        .flatMap((id) => {
          const protocol = said(id);
          return protocol ? [say(wordOf('protocol', protocol))] : [];
        })
        .join(', '),
    );
  });
  const serves = $derived(
    circuit.plan.needs.filter(({ id }) => part.needs.includes(id)).map((need) => say(needName(circuit.plan, need))),
  );

  function swap(id: string) {
    const to = workbench.library.get(id);
    if (node && to) edit((p) => swapCard(p, part.id, node.card, to), `take ${to.name}`);
  }
</script>

<Row subjects={[part.id]}>
  {#snippet choose()}
    <TextField
      value={part.label}
      label="name of the part"
      width="11em"
      change={(label) => edit((p) => changePart(p, part.id, (x) => ({ ...x, label })), 'name a part')}
    />
    {#if others.length > 0}
      <Select
        label="card of {part.label}"
        class="card flex-1 min-w-[10em]"
        value={part.card}
        choices={[
          { value: part.card, label: node?.card.name ?? part.card },
          ...others.map((card) => ({ value: card.id, label: card.name })),
        ]}
        ahead
        change={swap}
      />
    {:else}
      <span class="card unit flex-1 min-w-[10em]">{circuit.cards.get(part.card)?.name ?? part.card}</span>
    {/if}
    {#if modes.length > 0}
      <Select
        label="mode of {part.label}"
        value={String(part.mode ?? 0)}
        choices={modes.map((name, i) => ({ value: String(i), label: name }))}
        ahead
        change={(to) => edit((p) => setMode(p, part.id, Number(to)), `mode of ${part.label}`)}
      />
    {/if}
    <Button
      kind="bare"
      class="ml-auto"
      aria-pressed={part.locked === true}
      aria-label="keep {part.label} wired as it is"
      title={part.locked ? 'soldered: mend all leaves its feed, bus and address' : 'may be wired otherwise by mend all'}
      onclick={() => edit((p) => setLocked(p, part.id, !part.locked), `${part.locked ? 'free' : 'lock'} ${part.label}`)}
    >
      {#if part.locked}<Lock size={14} />{:else}<LockOpen size={14} />{/if}
    </Button>
    <Button
      kind="bare"
      aria-label="remove {part.label}"
      onclick={() => edit((p) => removePart(p, part.id), `remove ${part.label}`)}><X size={14} /></Button
    >
  {/snippet}
  {#snippet prove()}
    <span class="grow">{serves.join('; ') || node?.card.class}</span>
    {#if offer}<span class="value unit">{money(offer.price / offer.pack, offer.currency)}</span>{/if}
  {/snippet}
</Row>
