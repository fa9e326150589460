<!-- The question in hand: how it is typed, who asks for it, what happens if nobody knows, how to measure it, and where the answer is from. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { hintOf, measurementsFor, type Question } from '@idle-breadboard/core/workshop';
  import { ruleOf, say } from '@idle-breadboard/core/words';
  import { desk } from '../state/desk.svelte';
  import Meter from './Meter.svelte';

  let { question }: { question: Question } = $props();
  /** What no card is without. */
  const NEEDED = new Set(['name', 'class', 'kind', 'mount']);
  const [place = ''] = $derived(question.places);
  const standing = $derived(desk.standing(question));
  const hint = $derived(hintOf(question));
  const rules = $derived(question.asks.map((check) => ruleOf(check).title));
  const meters = $derived(
    measurementsFor(desk.read.tree).filter(({ settles }) => settles.some((at) => question.places.includes(at))),
  );
</script>

<div class="grid gap-1 justify-items-start">
  <p class="m-0">
    <strong>{desk.title(question)}</strong>
    {#if desk.whole}<span class="unit value"
        >{place}{question.places.length > 1 ? ` and ${question.places.length - 1} alike` : ''}</span
      >{/if}
  </p>
  {#if hint}<p class="unit m-0">{say(hint)}</p>{/if}
  <p class="m-0">
    {#if rules.length > 0}Asked for by: {rules.join('; ')}.{:else}It tells the part apart.{/if}
  </p>
  {#if standing === 'open'}
    <p class="m-0">
      {#if question.assumed !== null}If nobody knows: <span class="value">{question.assumed}</span>, marked as assumed.
      {:else if rules.length > 0}If nobody knows, what rests on it is not proved.{/if}
    </p>
  {/if}
  {#each meters as measurement (measurement.id)}<Meter {measurement} />{/each}
  {#if !NEEDED.has(question.pattern) && (standing === 'open' || standing === 'said')}
    <Button kind="bare" data-none onclick={() => desk.none(question, true)}>There is none: leave it out</Button>
  {/if}
</div>
