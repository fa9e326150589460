<!-- The catalogue: every card that may be used, the page of each, and the ways to enter a new one. -->
<script lang="ts">
  import Sheet from '../kit/Sheet.svelte';
  import { reading } from '../state/reading.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { view } from '../state/view.svelte';
  import CardList from './CardList.svelte';
  import CardPage from './CardPage.svelte';
  import EnterPart from './EnterPart.svelte';
  import Review from './Review.svelte';

  let entering = $state(false);
  const card = $derived(view.card === null ? null : (drawer.cards.get(view.card) ?? null));
  const title = $derived(
    entering ? (reading.phase === 'review' ? 'What was read' : 'Enter a part') : card ? card.name : 'Catalogue',
  );

  function close() {
    reading.cancel();
    entering = false;
    view.sheet = null;
  }

  function enter(template: string | null = null) {
    reading.reset('pdf');
    reading.templateId = template;
    entering = true;
  }
</script>

<Sheet open={view.sheet === 'catalogue'} {title} tall {close}>
  {#if entering && reading.phase === 'review'}
    <Review
      back={() => {
        reading.cancel();
      }}
      done={(id) => {
        entering = false;
        view.card = id;
      }}
    />
  {:else if entering}
    <EnterPart back={() => (entering = false)} />
  {:else if card}
    <CardPage {card} back={() => (view.card = null)} {close} />
  {:else}
    <CardList {enter} show={(id) => (view.card = id)} />
  {/if}
</Sheet>
