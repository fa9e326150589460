<!-- Two assignments of the same lines side by side: the one that was kept, and the one of the plan. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { say } from '@idle-breadboard/core/words';
  import { pinBoard } from '../state/pin-board.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const label = (of: Circuit, pin: string | null | undefined) =>
    of.controller?.card.terminals.find(({ id }) => id === pin)?.label ?? 'none';
  const rows = $derived.by(() => {
    const kept = pinBoard.kept;
    if (!kept) return [];
    const theirs = new Map(kept.wishes.map((wish) => [wish.id, wish.pin]));
    return circuit.wishes.flatMap((wish) => {
      const before = theirs.get(wish.id);
      return before === undefined || before === wish.pin
        ? []
        : [{ id: wish.id, line: wish.label, kept: label(kept, before), now: label(circuit, wish.pin) }];
    });
  });
  $effect(() => {
    void circuit;
    void pinBoard.weighKept();
  });
  const would = $derived(pinBoard.keptEffect);
</script>

<section class="compare" aria-label="two assignments">
  <p>
    <strong>Compared with the assignment that was kept.</strong>
    {#if rows.length === 0}Every line is on the pin that was kept.
    {:else if would}
      The kept one would end {would.ends.length} and bring {would.brings.length}{would.brings[0]
        ? `: ${say(would.brings[0].message)}`
        : '.'}
    {/if}
  </p>
  {#if rows.length > 0}
    <table>
      <thead><tr><th scope="col">line</th><th scope="col">kept</th><th scope="col">now</th></tr></thead>
      <tbody>
        {#each rows as row (row.id)}<tr
            ><td>{say(row.line)}</td><td class="value">{row.kept}</td><td class="value">{row.now}</td></tr
          >{/each}
      </tbody>
    </table>
  {/if}
  <p class="ways">
    <button type="button" class="act" disabled={rows.length === 0} onclick={() => pinBoard.backToKept()}
      >Go back to the kept one</button
    >
    <button type="button" class="act" onclick={() => pinBoard.keep(null)}>Compare no more</button>
  </p>
</section>

<style>
  .compare {
    padding: 4px 12px 6px;
    border-bottom: 1px solid var(--quiet);
    background: var(--raised);
  }
  p {
    margin: 3px 0;
  }
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
  }
  th,
  td {
    text-align: left;
    padding: 0 18px 0 0;
    font-weight: 400;
  }
  th {
    color: var(--quiet);
  }
</style>
