<!-- What the program can do for a line of the sheet while somebody looks on: watch what is moved, drive what is to move. -->
<script lang="ts">
  import { DRIVEN, jobOf, WATCHED } from '@idle-breadboard/core/bench';
  import type { SheetRow } from '@idle-breadboard/core/deliver';
  import { list, say } from '@idle-breadboard/core/words';
  import Button from '../kit/Button.svelte';
  import { selfTesting } from '../state/self-testing.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { row }: { row: SheetRow } = $props();
  const question = $derived(selfTesting.questionFor(row.key));
  const asked = $derived(selfTesting.asked?.row === row.key ? selfTesting.asked : null);
  const waits = $derived(selfTesting.asked?.answer === null);
  const circuit = $derived(workbench.study?.circuit);
  const pins = $derived(circuit ? jobOf(circuit).pins.map(({ label }) => label) : []);
  const moves = $derived(question?.is === 'drive' ? question.moves.flatMap((id) => circuit?.parts.get(id) ?? []) : []);
  const cautions = $derived(
    moves.flatMap(({ label, card }) =>
      (card.cautions ?? []).map(({ hazard, says }) => ({ label: say(label), hazard, says })),
    ),
  );
  let sure = $state(false);
  const lines = (is: (changes: number) => boolean) =>
    asked?.question.is === 'watch' && Array.isArray(asked.answer)
      ? asked.question.pins.flatMap(({ pin }, i) => (is(Number(asked.answer?.[i])) ? [pins[pin] ?? ''] : []))
      : [];
  const still = $derived(lines((changes) => changes === 0));
  const changed = $derived(lines((changes) => changes > 0));
  function drive() {
    sure = false;
    void selfTesting.question(row.key);
  }
</script>

{#if question}
  <div class="w-full" role="group" aria-label="the program and {say(row.title)}">
    {#if sure && question.is === 'drive'}
      <p class="my-0.5">
        {pins[question.pin]} is switched over for {DRIVEN / 1000} s: {list(moves.map(({ label }) => say(label)))} may move,
        heat, light or sound. Keep your hands off.
      </p>
      {#each cautions as { label, hazard, says } (label + says)}
        <p class="my-0.5 border-l-4 border-l-caution pl-2"><strong>{hazard}</strong> · {label}: {says}</p>
      {/each}
      <div class="flex flex-wrap gap-1.5">
        <Button onclick={drive}>Drive it now</Button>
        <Button onclick={() => (sure = false)}>Leave it</Button>
      </div>
    {:else}
      <div class="flex flex-wrap gap-x-2 gap-y-1 items-center">
        {#if question.is === 'drive'}
          <Button aria-label="let the program drive {say(row.title)}" disabled={waits} onclick={() => (sure = true)}
            >Let the program drive it</Button
          >
        {:else}
          <Button
            aria-label="let the program watch {say(row.title)}"
            disabled={waits}
            onclick={() => selfTesting.question(row.key)}>Let the program watch it</Button
          >
        {/if}
        <span class="unit" aria-live="polite">
          {#if asked?.answer === null}
            {question.is === 'watch'
              ? `Press, turn or pass it now, for ${WATCHED / 1000} s.`
              : 'It is driven now: look.'}
          {:else if asked?.answer === 'none'}
            No answer: the program on the board is of another plan, or does not listen.
          {:else if asked?.question.is === 'drive'}
            It was driven. Say whether it did what it should.
          {:else if still.length > 0}
            Nothing changed at {list(still)}{changed.length > 0 ? `, but it did at ${list(changed)}` : ''}. Move it and
            watch again, or say no.
          {:else if changed.length > 0}It changed at {list(changed)}.{/if}
        </span>
      </div>
    {/if}
  </div>
{/if}
