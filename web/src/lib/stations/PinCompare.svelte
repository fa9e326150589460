<!-- Two assignments of the same lines side by side: the one that was kept, and the one of the plan. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
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

<section class="pt-1 pb-1.5 px-3 border-b border-b-quiet bg-raised" aria-label="two assignments">
  <p class="my-1">
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
      <thead
        ><tr
          ><th class="text-left pr-4.5 font-normal text-quiet" scope="col">line</th><th
            class="text-left pr-4.5 font-normal text-quiet"
            scope="col">kept</th
          ><th class="text-left pr-4.5 font-normal text-quiet" scope="col">now</th></tr
        ></thead
      >
      <tbody>
        {#each rows as row (row.id)}<tr
            ><td class="pr-4.5 font-normal">{say(row.line)}</td><td class="value text-left py-0 pr-4.5 pl-0 font-normal"
              >{row.kept}</td
            ><td class="value text-left py-0 pr-4.5 pl-0 font-normal">{row.now}</td></tr
          >{/each}
      </tbody>
    </table>
  {/if}
  <p class="my-1 flex flex-wrap gap-1.5">
    <Button disabled={rows.length === 0} onclick={() => pinBoard.backToKept()}>Go back to the kept one</Button>
    <Button onclick={() => pinBoard.keep(null)}>Compare no more</Button>
  </p>
</section>
