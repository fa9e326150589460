<!-- What the readings point to, and what to measure next. -->
<script lang="ts">
  import ProgressLine from '../kit/ProgressLine.svelte';
  import Button from '../kit/Button.svelte';
  import { say } from '@idle-breadboard/core/words';
  import { bringing } from '../state/bringing.svelte';
  import { selfTesting } from '../state/self-testing.svelte';
  import { telling } from '../state/telling.svelte';

  const { pointed } = $derived(bringing);
  const percent = (share: number) => `${share >= 0.995 ? '> 99' : share < 0.01 ? '< 1' : (share * 100).toFixed(0)} %`;
  const lead = $derived(pointed?.suspects[0] ?? null);
  /** With a short or a wrong voltage nothing is measured under power. */
  const next = $derived(
    (pointed?.next ?? []).filter(({ row }) => bringing.stop === null || bringing.rows.get(row)?.phase === 'off'),
  );
  const sound = $derived(lead?.causes[0]?.mend === '');

  function show(row: string) {
    const own = bringing.rows.get(row);
    if (!own) return;
    telling.say(say(own.how));
    document.getElementById(`row-${row}`)?.scrollIntoView({ block: 'center' });
    document.getElementById(`row-${row}`)?.querySelector<HTMLElement>('input, [role="combobox"]')?.focus();
  }
</script>

<section class="w-full pt-1 pb-1.5" aria-label="what the readings point to" aria-live="polite">
  {#if bringing.making !== null}
    <p class="unit my-0.5">
      Working out what each fault would show <ProgressLine
        label="making the dictionary of faults"
        value={bringing.making}
      />
    </p>
  {/if}
  {#if !pointed}
    <p class="unit my-0.5">
      Nothing is measured yet. Every value beside what was expected is evidence: it is held against every single fault
      that this very build can have.
    </p>
  {:else}
    {#if bringing.outside.length === 0 && sound}
      <p class="my-0.5"><strong>All as expected so far.</strong></p>
    {:else if pointed.unexplained.length > 0}
      <p class="my-0.5">
        <strong>No single cause explains everything.</strong>
        {pointed.unexplained.length === 1 ? 'One reading does' : `${pointed.unexplained.length} readings do`} not fit the
        likeliest:
        {pointed.unexplained
          .slice(0, 3)
          .map((key) => say(bringing.rows.get(key)?.title ?? key))
          .join('; ')}. Measure again, or look for something that is in no dictionary.
      </p>
    {:else if pointed.unknown > 0.5}
      <p class="my-0.5">
        <strong>Nothing that is known fits.</strong> Measure the odd values again before you look further.
      </p>
    {:else}
      <p class="my-0.5"><strong>It points to</strong></p>
    {/if}
    {#if !pointed.settled && next[0]}
      {@const best = next[0]}
      {@const row = bringing.rows.get(best.row)}
      <p class="my-0.5 flex flex-wrap gap-x-2 gap-y-1 items-center pt-0.5 pb-1">
        <span class="eyebrow">measure next{row?.phase === 'off' ? ', power off' : ''}</span>
        <Button onclick={() => show(best.row)}>{say(row?.title ?? best.row)}</Button>
        {#if row && selfTesting.isAnswered(row)}<Button onclick={() => selfTesting.ask()}>Ask the program</Button>{/if}
        {#if bringing.bench !== 'off' && row}<Button
            aria-label="read it now: {say(row.title)}"
            onclick={() => bringing.read([row])}>Read it</Button
          >{/if}
        <span class="unit"
          >{best.bits.toFixed(1)} bits for {best.seconds} s of work{next.length > 1
            ? `; or ${next
                .slice(1, 3)
                .map(({ row: key }) => say(bringing.rows.get(key)?.title ?? key))
                .join('; or ')}`
            : ''}</span
        >
      </p>
    {/if}
    {#snippet list()}<ol>
        {#each (pointed?.suspects ?? []).slice(0, 4) as suspect (suspect.causes[0]?.key)}
          <li class="grid grid-cols-[4.2em_minmax(0,1fr)] gap-2 py-0.5 border-t border-dotted">
            <span class="value text-right">{percent(suspect.chance)}</span>
            <div>
              {#if suspect.causes.length > 1}<p class="unit my-0.5">
                  No measurement tells these {suspect.causes.length} apart; look:
                </p>{/if}
              {#each suspect.causes.slice(0, 6) as cause (cause.key)}
                <p class="my-0.5">
                  {cause.says}
                  {#if cause.mend && suspect === lead}
                    <span class="unit">{cause.mend}</span>
                    {#if suspect.chance > 0.2}<Button
                        aria-label="mended: {cause.says}"
                        onclick={() => bringing.mend(cause)}>Mended</Button
                      >{/if}
                  {/if}
                </p>
              {/each}
              {#if suspect.causes.length > 6}<p class="unit my-0.5">and {suspect.causes.length - 6} more</p>{/if}
            </div>
          </li>
        {/each}
      </ol>{/snippet}
    {#if bringing.outside.length === 0 && sound}
      <details>
        <summary class="min-h-row py-1 cursor-pointer">What nothing measured so far rules out</summary>
        {@render list()}
      </details>
    {:else}{@render list()}{/if}
  {/if}
</section>
