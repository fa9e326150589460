<!-- The catalogue: every card that may be used, the page of each, the desk, and the ways to enter a new part. -->
<script lang="ts">
  import type { Card } from '@idle-breadboard/core/card';
  import Desk from '../desk/Desk.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import { desk } from '../state/desk.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { reading } from '../state/reading.svelte';
  import { reviews } from '../state/reviews.svelte';
  import { view } from '../state/view.svelte';
  import CardList from './CardList.svelte';
  import CardPage from './CardPage.svelte';
  import EnterPart from './EnterPart.svelte';
  import PackTake from './PackTake.svelte';
  import Review from './Review.svelte';

  /** Set while it is asked whether to leave the desk. */
  let leaving = $state(false);
  let pack = $state.raw<{ file: string; cards: readonly Card[] } | null>(null);
  const card = $derived(view.card === null ? null : (drawer.cards.get(view.card) ?? null));
  const title = $derived(
    desk.isOpen
      ? `At the desk: ${desk.name}`
      : pack
        ? `Cards in ${pack.file}`
        : view.entering
          ? reading.phase === 'review'
            ? 'What was read'
            : 'Enter a part'
          : card
            ? card.name
            : 'Catalogue',
  );

  function close() {
    // Also where the desk has been asked for and is not there yet.
    if (desk.isOpen || desk.opening) {
      leaving = true;
      return;
    }
    reading.cancel();
    view.entering = false;
    pack = null;
    view.sheet = null;
  }

  function enter() {
    reading.reset('pdf');
    view.entering = true;
  }
  /** From the desk back to where it was come from. */
  function left() {
    leaving = false;
    view.entering = false;
  }
  /** From the desk to the sheet that it came from; the draft stays as it is. */
  async function backToSheet(id: string) {
    await desk.leave();
    await reviews.refresh();
    const review = reviews.left.find((one) => one.id === id);
    view.entering = true;
    if (review) await reading.goOn(review);
  }
  $effect(() => {
    if (!desk.isOpen && !desk.opening) leaving = false;
  });
  $effect(() => {
    void desk.refresh();
    void drawer.refresh();
  });
</script>

<Sheet open={view.sheet === 'catalogue'} {title} tall {close}>
  {#if desk.isOpen}
    <Desk
      {leaving}
      stay={() => (leaving = false)}
      {left}
      sheet={(review) => void backToSheet(review)}
      kept={(made) => {
        left();
        // The next part of a table waits.
        if (reading.nextOfTable()) view.entering = true;
        else view.card = made.id;
      }}
    />
  {:else if pack}
    <PackTake file={pack.file} cards={pack.cards} done={() => (pack = null)} />
  {:else if view.entering && reading.phase === 'review'}
    <Review back={() => reading.cancel()} />
  {:else if view.entering}
    <EnterPart back={() => (view.entering = false)} />
  {:else if card}
    <CardPage {card} back={() => (view.card = null)} {close} />
  {:else}
    <CardList {enter} show={(id) => (view.card = id)} take={(file, cards) => (pack = { file, cards })} />
  {/if}
</Sheet>
