<!-- The controller as it lies on the table. Lines are put down on its pins; a pin shows what it can do and what was proved. -->
<script lang="ts">
  import { keyOf } from '@idle-breadboard/core/plan';
  import { boardFace, pinUses, type Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { Result } from '@idle-breadboard/core/verify';
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
  const grave = $derived(
    pinBoard.effect?.brings.find(({ severity }) => severity === 'danger' || severity === 'fault') ??
      pinBoard.effect?.brings[0] ??
      null,
  );

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

<div class="face">
  <div class="under" role="status">
    {#if carried}
      <p>
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
      <p>
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
      <p class="unit">
        {rows.length > 0
          ? `A pin gives ${formatQuantity(controller?.card.controller?.pinCurrent.recommended.min ?? 0, 'A')} by recommendation. Press a pin for what it can do; carry a line to a pin to see what that costs.`
          : ''}
      </p>
    {/if}
  </div>
  <div class="board" role="group" aria-label="pins of {say(controller?.label ?? 'the controller')}">
    {#each rows as { left, right }, i (i)}
      <div class="line">
        {#if left}<BoardPin pin={left} side="left" finding={left.use ? worst(left.terminal.id) : null} />{:else}<span
          ></span>{/if}
        <span class="body" class:first={i === 0} class:last={i === rows.length - 1} aria-hidden="true"></span>
        {#if right}<BoardPin
            pin={right}
            side="right"
            finding={right.use ? worst(right.terminal.id) : null}
          />{:else}<span></span>{/if}
      </div>
    {/each}
    <span class="name" aria-hidden="true">{controller?.card.name}</span>
  </div>
</div>

<style>
  .face {
    padding: 2px 10px 8px 16px;
  }
  .board {
    position: relative;
  }
  .line {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 46px minmax(0, 1fr);
  }
  .body {
    background: var(--raised);
    border-inline: 1.5px solid var(--quiet);
  }
  .body.first {
    border-top: 1.5px solid var(--quiet);
  }
  .body.last {
    border-bottom: 1.5px solid var(--quiet);
  }
  .name {
    position: absolute;
    left: 50%;
    top: 50%;
    transform: translate(-50%, -50%) rotate(-90deg);
    white-space: nowrap;
    color: var(--quiet);
    font-size: 0.9rem;
    pointer-events: none;
  }
  .under {
    min-height: 44px;
    margin-bottom: 6px;
    border-bottom: 1px solid var(--line);
    padding-bottom: 3px;
  }
  .under p {
    margin: 2px 0;
  }
</style>
