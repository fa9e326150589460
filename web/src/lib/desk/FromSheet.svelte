<!-- What came from the sheet of the part: how much of it stands here, and what waits for a place. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { whyWaiting } from '@idle-breadboard/core/workshop';
  import { say } from '@idle-breadboard/core/words';
  import FileText from '@lucide/svelte/icons/file-text';
  import { desk } from '../state/desk.svelte';

  let { back }: { back: (review: string) => void } = $props();
  const figures = $derived(desk.sheet?.figures ?? []);
  const waiting = $derived(
    figures
      .filter(({ at, figure }) => at.length === 0 && figure.slot !== 'terminal')
      .map((one) => ({
        id: one.figure.id,
        name: say(wordOf('slot', one.figure.slot)),
        said: one.figure.said,
        page: one.source.page,
        why: desk.draft ? say(whyWaiting(desk.draft, one)) : '',
      })),
  );
  const review = $derived(desk.sheet?.review ?? null);
</script>

{#if figures.length > 0}
  <div class="py-1 px-3 border-b">
    <p class="m-0">
      <span class="value wrap-anywhere">{figures.length - waiting.length}</span> of
      <span class="value wrap-anywhere">{figures.length}</span>
      figures of the sheet have their place.
      {#if review !== null}<Button kind="bare" onclick={() => back(review)}><FileText size={13} />to the sheet</Button
        >{/if}
    </p>
    {#if waiting.length > 0}
      <ul class="my-0.5 pl-4.5" aria-label="figures of the sheet that wait">
        {#each waiting as { id, name, said, page, why } (id)}
          <li>
            <strong>{name}</strong>
            <span class="value wrap-anywhere">{said}</span>{#if page !== undefined}<span class="unit">, p. {page}</span
              >{/if}:
            {why}
          </li>
        {/each}
      </ul>
    {/if}
  </div>
{/if}
