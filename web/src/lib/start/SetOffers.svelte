<!-- Whole sets for what is picked: three of them told apart, each proved before it is offered. -->
<script lang="ts">
  import type { SetOffer } from '@idle-breadboard/core/solve';
  import { counted, say } from '@idle-breadboard/core/words';
  import { Progress } from 'bits-ui';
  import Button from '../kit/Button.svelte';
  import { money } from '../kit/words';
  import { mending } from '../state/mending.svelte';
  import { GIVEN_UP } from '../state/sets.svelte';
  import { starting } from '../state/starting.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const MERIT = { cheapest: 'cheapest', soonest: 'soonest', exact: 'most exact' } as const;
  const name = (card: string) => workbench.library.get(card)?.name ?? card;
  const currency = $derived(
    [...workbench.library.values()].find(({ offers }) => offers.length > 0)?.offers[0]?.currency,
  );
  const working = $derived.by(() => {
    const { progress } = starting;
    if (progress === null) return '';
    if (progress === 'begun') return 'looking for cards that meet each need';
    return progress.at === 'try'
      ? `completing and proving a set, ${progress.tried} done`
      : `${progress.controller}: need ${progress.decided + 1} of ${progress.needs}, ${progress.open} sets open`;
  });
  const pieces = (offer: SetOffer) => [...Map.groupBy(offer.set.evaluation.parts, ({ option }) => option.card.id)];
  let taking = $state(false);
  let list = $state<HTMLElement>();
  // What was waited for can be taken at once.
  $effect(() => {
    if (starting.offers) list?.querySelector('button')?.focus();
  });

  /** The plan is filled and shown whole; what it still lacks is mended in one go, under the eyes of the maker. */
  async function take(offer: SetOffer | null) {
    taking = true;
    await starting.take(offer);
    view.goTo('overview');
    taking = false;
    await mending.open();
  }
</script>

<div class="mt-4 flex flex-wrap items-center gap-3">
  <Button
    kind="first"
    disabled={starting.picked.length === 0 || starting.progress !== null || taking}
    onclick={() => void starting.search()}>Find whole sets</Button
  >
  {#if starting.progress !== null}
    <Progress.Root value={null} aria-label="searching" class="text-quiet">{working}</Progress.Root>
  {/if}
  {#if starting.trouble}<span role="alert" class="text-danger">{starting.trouble}</span>{/if}
</div>
{#if starting.offers}
  {@const { offers, of, none, complete } = starting.offers}
  {#if none}<p role="alert" class="mt-2 text-fault">{say(none)}</p>{/if}
  {#if offers.length === 0 && !none}
    <p class="mt-2">
      {complete ? 'Nothing that was picked has to be searched for.' : GIVEN_UP}
      <Button onclick={() => void take(null)}>Begin with what is picked</Button>
    </p>
  {/if}
  {#if offers.length > 0}
    <p class="mt-2 text-quiet">
      {counted(of, 'set')} that no other{complete ? '' : ' that was found'} beats{complete
        ? ''
        : '; there may be better ones, not every one was tried to its end'}.
    </p>
    <ul class="mt-1 grid gap-2" aria-label="whole sets" bind:this={list}>
      {#each offers as offer (offer.merits.join())}
        {@const { figures } = offer.set.evaluation}
        <li
          class="grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 gap-y-1 items-center border rounded-sm bg-raised px-3 py-2"
        >
          <span class="text-group font-semibold">{offer.merits.map((merit) => MERIT[merit]).join(', ')}</span>
          <Button kind="first" class="row-span-2" disabled={taking} onclick={() => void take(offer)}
            >Take the {MERIT[offer.merits[0] ?? 'cheapest']}</Button
          >
          <span class="flex flex-wrap gap-x-4"
            ><span class="value">{money(figures.cost, currency ?? '')}</span>
            <span><span class="value">{Math.round(figures.error * 100)} %</span> of the allowed error</span>
            <span>in <span class="value">{figures.arrival}</span> {figures.arrival === 1 ? 'day' : 'days'}</span>
            <span class={offer.open > 0 ? 'text-fault' : 'text-pass'}
              >{offer.open > 0 ? `${offer.open} stay to be settled` : 'completed and proved on paper'}</span
            ></span
          >
          <span class="col-span-2 text-aside text-quiet"
            >{name(offer.set.controller.id)}; {pieces(offer)
              .map(([card, parts]) => (parts.length > 1 ? `${parts.length} ${name(card)}` : name(card)))
              .join(', ')}</span
          >
        </li>
      {/each}
    </ul>
  {/if}
{/if}
