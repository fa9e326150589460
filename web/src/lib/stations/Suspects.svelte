<!-- What the readings point to, and what to measure next. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import { bringing } from '../state/bringing.svelte';
  import { view } from '../state/view.svelte';

  const { pointed } = $derived(bringing);
  const percent = (share: number) => `${share >= 0.995 ? '> 99' : share < 0.01 ? '< 1' : (share * 100).toFixed(0)} %`;
  const lead = $derived(pointed?.suspects[0] ?? null);
  const sound = $derived(lead?.causes[0]?.mend === '');

  function show(row: string) {
    const own = bringing.rows.get(row);
    if (!own) return;
    view.say(say(own.how));
    document.getElementById(`row-${row}`)?.scrollIntoView({ block: 'center' });
    document.getElementById(`row-${row}`)?.querySelector<HTMLElement>('input, select')?.focus();
  }
</script>

<section class="suspects" aria-label="what the readings point to" aria-live="polite">
  {#if bringing.making !== null}
    <p class="unit">
      Working out what each fault would show <progress
        value={bringing.making}
        aria-label="making the dictionary of faults"
      ></progress>
    </p>
  {/if}
  {#if !pointed}
    <p class="unit">
      Nothing is measured yet. Every value beside what was expected is evidence: it is held against every single fault
      that this very build can have.
    </p>
  {:else}
    {#if bringing.outside.length === 0 && sound}
      <p><strong>All as expected so far.</strong></p>
    {:else if pointed.unexplained.length > 0}
      <p>
        <strong>No single cause explains everything.</strong>
        {pointed.unexplained.length === 1 ? 'One reading does' : `${pointed.unexplained.length} readings do`} not fit the
        likeliest:
        {pointed.unexplained
          .slice(0, 3)
          .map((key) => say(bringing.rows.get(key)?.title ?? key))
          .join('; ')}. Measure again, or look for something that is in no dictionary.
      </p>
    {:else if pointed.unknown > 0.5}
      <p><strong>Nothing that is known fits.</strong> Measure the odd values again before you look further.</p>
    {:else}
      <p><strong>It points to</strong></p>
    {/if}
    {#if !pointed.settled && pointed.next[0]}
      {@const best = pointed.next[0]}
      {@const row = bringing.rows.get(best.row)}
      <p class="then">
        <span class="eyebrow">measure next{row?.phase === 'off' ? ', power off' : ''}</span>
        <button type="button" class="act" onclick={() => show(best.row)}>{say(row?.title ?? best.row)}</button>
        {#if bringing.bench !== 'off' && row}<button
            type="button"
            class="act"
            aria-label="read {say(row.title)} now"
            onclick={() => bringing.read([row])}>Read it</button
          >{/if}
        <span class="unit"
          >{best.bits.toFixed(1)} bits for {best.seconds} s of work{pointed.next.length > 1
            ? `; or ${pointed.next
                .slice(1, 3)
                .map(({ row: key }) => say(bringing.rows.get(key)?.title ?? key))
                .join('; or ')}`
            : ''}</span
        >
      </p>
    {/if}
    <ol>
      {#each pointed.suspects.slice(0, 4) as suspect (suspect.causes[0]?.key)}
        <li>
          <span class="value chance">{percent(suspect.chance)}</span>
          <div>
            {#if suspect.causes.length > 1}<p class="unit">
                No measurement tells these {suspect.causes.length} apart; look:
              </p>{/if}
            {#each suspect.causes.slice(0, 6) as cause (cause.key)}
              <p class="cause">
                {cause.says}
                {#if cause.mend && suspect === lead}
                  <span class="unit">{cause.mend}</span>
                  {#if suspect.chance > 0.2}<button
                      type="button"
                      class="act"
                      aria-label="mended: {cause.says}"
                      onclick={() => bringing.mend(cause)}>Mended</button
                    >{/if}
                {/if}
              </p>
            {/each}
            {#if suspect.causes.length > 6}<p class="unit">and {suspect.causes.length - 6} more</p>{/if}
          </div>
        </li>
      {/each}
    </ol>
  {/if}
</section>

<style>
  .suspects {
    width: 100%;
    padding: 4px 0 6px;
  }
  p {
    margin: 2px 0;
  }
  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 4.2em minmax(0, 1fr);
    gap: 8px;
    padding: 2px 0;
    border-top: 1px dotted var(--line);
  }
  .chance {
    text-align: right;
  }
  .then {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 8px;
    align-items: center;
    padding: 2px 0 4px;
  }
  progress {
    width: 120px;
    height: 8px;
    vertical-align: middle;
  }
</style>
