<!-- From what the build is fed, and how long on cells. -->
<script lang="ts">
  import { feedKindOf, type FeedKind } from '@idle-breadboard/core/solve';
  import { classFor } from '@idle-breadboard/core/workshop';
  import { CLASS_DRAWINGS } from '../kit/class-drawings';
  import Button from '../kit/Button.svelte';
  import Combobox from '../kit/Combobox.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import { money } from '../kit/words';
  import { starting } from '../state/starting.svelte';
  import { workbench } from '../state/workbench.svelte';

  const KINDS: readonly (readonly [FeedKind, string])[] = [
    ['socket', 'a socket, with a cable'],
    ['adapter', 'a wall adapter'],
    ['cells', 'cells'],
  ];
  const cards = $derived([...workbench.library.values()].filter((card) => feedKindOf(card) === starting.feed.kind));
  const choices = $derived(
    cards.map((card) => ({
      value: card.id,
      label: card.name,
      hint: [
        ...(card.rails ?? []).map(({ name }) => name),
        ...(card.offers[0] ? [money(card.offers[0].price, card.offers[0].currency)] : []),
      ].join(' · '),
      drawing: CLASS_DRAWINGS[classFor(card)],
    })),
  );
</script>

<div class="flex flex-wrap items-center gap-x-2.5 gap-y-1 border-y py-1">
  <span class="inline-flex" role="group" aria-label="kind of feed">
    {#each KINDS as [kind, words] (kind)}<Button
        kind="bare"
        pressed="underlined"
        aria-pressed={starting.feed.kind === kind}
        onclick={() => starting.setFeed({ kind })}>{words}</Button
      >{/each}
  </span>
  <Combobox
    label="source"
    {choices}
    value={starting.source?.id ?? ''}
    placeholder="none on sale"
    class="w-[17em]"
    change={(card) => starting.setFeed({ card })}
  />
  {#if starting.feed.kind === 'cells'}<span
      >for <QuantityField
        label="how long it runs on its cells"
        value={starting.feed.runFor}
        unit="s"
        width="6em"
        check={(v) => (v > 0 ? null : 'more than 0')}
        change={(runFor) => starting.setFeed({ runFor })}
      /></span
    >{/if}
</div>
