<!-- The part alone on the bench, with a controller of choice: verified on the spot, and what to look up next. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { trustOf } from '@idle-breadboard/core/card';
  import { isBlocking, relativeMargin } from '@idle-breadboard/core/verify';
  import { counted, ruleOf, say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import { alone } from '../state/alone.svelte';
  import { desk } from '../state/desk.svelte';

  /** So many are said before the rest is counted. */
  const FEW = 5;
  const { found } = $derived(alone);
  const grave = $derived(found?.verdict.findings.filter(isBlocking) ?? []);
  /** Nothing grave is left, and nothing had to be given up; whether it can be laid out is proved in a plan. */
  const holds = $derived(found !== null && grave.length === 0 && found.why.length === 0);
  const lighter = $derived(found ? found.verdict.findings.length - grave.length : 0);
  const trust = $derived(alone.card ? trustOf(alone.card) : null);

  $effect(() => {
    void alone.partner;
    alone.show(desk.card);
  });
  $effect(() => () => alone.end());
</script>

<section class="grid gap-1 py-2 px-3 border-t content-start" aria-label="alone on the bench">
  <div class="flex flex-wrap justify-between gap-x-3 gap-y-1 items-baseline">
    <span
      >alone on the bench{#if desk.card?.kind !== 'controller' && desk.card?.kind !== 'carrier'}, with
        <Select
          label="controller on the bench"
          value={alone.partner ?? alone.controllers[0]?.id ?? ''}
          choices={alone.controllers.map((card) => ({ value: card.id, label: card.name }))}
          change={(to) => (alone.partner = to)}
        />{/if}</span
    >
    <span role="status" data-alone={alone.phase === 'done' ? (holds ? 'proved' : 'open') : alone.phase}>
      {#if alone.phase === 'working'}Working
      {:else if alone.phase === 'failed'}The bench broke off; change something to try again.
      {:else if alone.phase === 'nothing'}Nothing is proved of what is only used up or joined.
      {:else if alone.phase === 'done' && found}
        {#if holds}<strong class="text-pass">Proved</strong>,
          <span class="value">{found.verdict.passes.length}</span>
          proofs,
          <span class="value">{found.verdict.assumed}</span> rest on assumed figures
        {:else}<strong class="text-fault">Open</strong>, {grave.length} to settle{/if}{#if lighter > 0}; {lighter} to read{/if}
      {:else}as soon as the card is whole{/if}
    </span>
  </div>
  {#each found?.why ?? [] as why (say(why.sentence))}<p class="m-0">{say(why.sentence)}</p>{/each}
  {#if grave.length > 0}
    <ul>
      {#each grave.slice(0, FEW) as finding (finding.key)}
        <li><Glyph severity={finding.severity} />{say(finding.message)}</li>
      {/each}
      {#if grave.length > FEW}<li class="unit">and {grave.length - FEW} more</li>{/if}
    </ul>
  {/if}
  {#if found && alone.next.length > 0}
    <p class="m-0">
      <strong>Look up next</strong>
      <span class="unit"
        >{trust?.assumed} of {counted(trust?.figures ?? 0, 'figure')}
        {trust?.assumed === 1 ? 'is' : 'are'} assumed; the verdict hangs on these first</span
      >
    </p>
    <ol class="pl-5.5">
      {#each alone.next.slice(0, FEW) as { figure, tightest } (figure.place)}
        <li>
          {say(figure.title)}
          {#if tightest}
            <span class="unit">
              {#if tightest.severity}<Glyph severity={tightest.severity} />{ruleOf(tightest.check).short}
              {:else}{ruleOf(tightest.check).short}{#if Number.isFinite(relativeMargin(tightest))}, <span class="value"
                    >{Math.round(relativeMargin(tightest) * 100)} %</span
                  > to spare{/if}{/if}
            </span>
          {/if}
        </li>
      {/each}
    </ol>
  {/if}
</section>

<style>
  li :global(.glyph) {
    margin-right: 6px;
  }
</style>
