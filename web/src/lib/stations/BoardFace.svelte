<!-- The controller as it lies on the table. Lines are put down on its pins; a pin shows what it can do and what was proved. -->
<script lang="ts">
  import { keyOf } from '@idle-breadboard/core/plan';
  import { boardFace, pinUses, type Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { isBlocking, type Result } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import Proof from '../kit/Proof.svelte';
  import { capabilityWords } from '../kit/capabilities';
  import { of, type Proofs } from '../state/proofs';
  import { pinBoard } from '../state/pin-board.svelte';
  import BoardPin from './BoardPin.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const rows = $derived(boardFace(circuit));
  const controller = $derived(circuit.controller);
  const uses = $derived(new Map(pinUses(circuit).map((use) => [use.pin.terminal, use])));
  const shown = $derived(pinBoard.shown === null ? null : (uses.get(pinBoard.shown) ?? null));
  const carried = $derived(circuit.wishes.find(({ id }) => id === pinBoard.carried) ?? null);
  const over = $derived(pinBoard.over === null ? null : (uses.get(pinBoard.over) ?? null));
  const grave = $derived(pinBoard.effect?.brings.find(isBlocking) ?? pinBoard.effect?.brings[0] ?? null);

  const ORDER = ['danger', 'fault', 'caution', 'note'];
  function worst(terminal: string): Result | null {
    const subjects = [keyOf(controller?.id, terminal), ...(uses.get(terminal)?.wishes.map(({ id }) => id) ?? [])];
    const found = subjects.flatMap((subject) =>
      (proofs.get(subject) ?? []).filter((r) => r.severity !== null && r.station === 'pins'),
    );
    return found.toSorted((a, b) => ORDER.indexOf(a.severity ?? '') - ORDER.indexOf(b.severity ?? ''))[0] ?? null;
  }
  /** What is proved about the pin in hand and its lines, each once. */
  const told = $derived.by(() => {
    if (!shown) return [];
    const subjects = [keyOf(controller?.id, shown.pin.terminal), ...shown.wishes.map(({ id }) => id)];
    const all = subjects.flatMap((subject) =>
      of(
        proofs,
        subject,
        'pin/capability',
        'pin/double',
        'pin/strap',
        'pin/unit-conflict',
        'pin/current',
        'pin/boot-state',
      ),
    );
    return [...new Map(all.map((result) => [result.key, result])).values()];
  });
</script>

<div class="pt-0.5 pb-2 pr-2.5 pl-4">
  <div class="under min-h-11 mb-1.5 border-b pb-1" role="status">
    {#if carried}
      <p class="my-0.5">
        <strong>{say(carried.label)}</strong>
        {#if !over}in hand. Put it down on a pin; Esc lets go.
        {:else if pinBoard.refusal}on {over.label}: {pinBoard.refusal}
        {:else if !pinBoard.effect}on {over.label}: verifying
        {:else}
          on {over.label}: ends {pinBoard.effect.ends.length}, brings {pinBoard.effect.brings.length}.
          {#if grave}{say(grave.message)}{:else if over.wishes.some(({ id }) => id !== carried.id)}{say(
              over.wishes[0]?.label,
            )} takes its pin.{/if}
        {/if}
      </p>
    {:else if shown}
      <p class="my-0.5">
        <strong class="value">{shown.label}</strong>
        can be {capabilityWords(shown.pin.functions).join(', ')}{controller?.card.controller?.matrix
          ? ', and what the chip routes to any pin'
          : ''}.
        {#if shown.pin.strap}Must be {shown.pin.strap.level} at boot: {shown.pin.strap.meaning}{/if}
        {#if shown.pin.reserved}{shown.pin.reserved.meaning}{/if}
        {#if shown.pin.boot?.pull}At the start it is pulled {shown.pin.boot.pull}.{/if}
        {#if shown.pin.noPull}It has no pull of its own.{/if}
      </p>
      {#each told as result (result.key)}<Proof {result} />{/each}
    {:else}
      <p class="unit my-0.5">
        {rows.length > 0
          ? `A pin gives ${formatQuantity(controller?.card.controller?.pinCurrent.recommended.min ?? 0, 'A')} by recommendation. Press a pin for what it can do; carry a line to a pin to see what that costs.`
          : ''}
      </p>
    {/if}
  </div>
  <div class="board relative" role="group" aria-label="pins of {say(controller?.label ?? 'the controller')}">
    {#each rows as { left, right }, i (i)}
      <div class="line grid grid-cols-[minmax(0,1fr)_46px_minmax(0,1fr)]">
        {#if left}<BoardPin pin={left} side="left" finding={left.use ? worst(left.terminal.id) : null} />{:else}<span
          ></span>{/if}
        <span
          class="bg-raised border-x-[1.5px] border-x-quiet data-first:border-t-[1.5px] data-first:border-t-quiet data-last:border-b-[1.5px] data-last:border-b-quiet"
          data-first={i === 0 || undefined}
          data-last={i === rows.length - 1 || undefined}
          aria-hidden="true"
        ></span>
        {#if right}<BoardPin
            pin={right}
            side="right"
            finding={right.use ? worst(right.terminal.id) : null}
          />{:else}<span></span>{/if}
      </div>
    {/each}
    <span
      class="absolute left-[50%] top-[50%] [transform:translate(-50%,-50%)_rotate(-90deg)] whitespace-nowrap text-quiet text-aside pointer-events-none"
      aria-hidden="true">{controller?.card.name}</span
    >
  </div>
</div>
