<!-- What came from the sheet of the part: how much of it stands here, and what waits for a place. -->
<script lang="ts">
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
  <div class="sheet-part">
    <p class="m-0">
      <span class="value">{figures.length - waiting.length}</span> of <span class="value">{figures.length}</span>
      figures of the sheet have their place.
      {#if review !== null}<button type="button" class="act bare" onclick={() => back(review)}
          ><FileText size={13} />to the sheet</button
        >{/if}
    </p>
    {#if waiting.length > 0}
      <ul aria-label="figures of the sheet that wait">
        {#each waiting as { id, name, said, page, why } (id)}
          <li>
            <strong>{name}</strong>
            <span class="value">{said}</span>{#if page !== undefined}<span class="unit">, p. {page}</span>{/if}:
            {why}
          </li>
        {/each}
      </ul>
    {/if}
  </div>
{/if}

<style>
  .sheet-part {
    padding: 4px 12px;
    border-bottom: 1px solid var(--line);
  }
  ul {
    margin: 2px 0;
    padding-left: 18px;
  }
  .value {
    overflow-wrap: anywhere;
  }
</style>
