<!-- Every proof, passes included, sortable by margin. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { relativeMargin, type Result } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import Hazards from '../kit/Hazards.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import { groundsWords } from '../kit/words';
  import { findings, passes } from '../state/results';
  import { view } from '../state/view.svelte';

  import { workbench } from '../state/workbench.svelte';

  type Order = 'margin' | 'check' | 'severity';
  let order = $state<Order>('margin');
  let filter = $state('');
  const all = $derived.by<readonly Result[]>(() => {
    const list = [...findings(), ...passes()];
    const wanted = filter.trim().toLowerCase();
    const kept = wanted ? list.filter((r) => `${r.check} ${say(r.message)}`.toLowerCase().includes(wanted)) : list;
    if (order === 'severity') return kept;
    if (order === 'check') return kept.toSorted((a, b) => (a.check < b.check ? -1 : a.check > b.check ? 1 : 0));
    return kept.toSorted((a, b) => relativeMargin(a) - relativeMargin(b));
  });
  const heads: readonly (readonly [Order, string])[] = [
    ['severity', 'gravest first'],
    ['margin', 'tightest first'],
    ['check', 'by check'],
  ];
</script>

<Sheet open={view.sheet === 'proofs'} title="All proofs" wide close={() => (view.sheet = null)}>
  {#if workbench.study}<Hazards circuit={workbench.study.circuit} />{/if}
  <div
    class="flex flex-wrap items-center gap-x-3.5 gap-y-1 py-1 px-3 border-b aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
  >
    <span
      class="aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
      role="group"
      aria-label="order"
      >{#each heads as [id, name] (id)}<Button
          kind="bare"
          pressed="underlined"
          aria-pressed={order === id}
          onclick={() => (order = id)}>{name}</Button
        >{/each}</span
    >
    <input
      class="field aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
      placeholder="only with these words"
      aria-label="only proofs with these words"
      bind:value={filter}
    />
    <span class="unit aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
      >{all.length} shown, {passes().length} hold, {workbench.study?.verdict.assumed ?? 0} rest on assumed figures (typical
      of the class, or from memory) · fingerprint
      <span
        class="value aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
        data-fingerprint>{workbench.study?.fingerprint}</span
      ></span
    >
  </div>
  <div class="scroll aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold overflow-auto">
    <table class="w-full aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold">
      <thead class="aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
        ><tr class="aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
          ><th
            class="sticky top-0 bg-bench text-left font-semibold py-1 px-2 aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
            ><span class="sr-only aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              >Severity</span
            ></th
          ><th
            class="sticky top-0 bg-bench text-left font-semibold py-1 px-2 aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
            >Check</th
          ><th
            class="sticky top-0 bg-bench text-left font-semibold py-1 px-2 aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
            >What holds, or not</th
          ><th
            class="r sticky top-0 bg-bench font-semibold py-1 px-2 text-right aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
            >Measured</th
          ><th
            class="r sticky top-0 bg-bench font-semibold py-1 px-2 text-right aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
            >Limit</th
          ><th
            class="r sticky top-0 bg-bench font-semibold py-1 px-2 text-right aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
            >Margin</th
          ><th
            class="sticky top-0 bg-bench text-left font-semibold py-1 px-2 aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
            >Evidence</th
          ></tr
        ></thead
      >
      <tbody class="aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold">
        {#each all as r (r.key)}
          <tr class="aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold">
            <td
              class="py-1 px-2 border-t align-top aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              ><Glyph severity={r.severity} /></td
            >
            <td
              class="value py-1 px-2 border-t border-t-line align-top aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              >{r.check}</td
            >
            <td
              class="py-1 px-2 border-t align-top aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              ><button
                type="button"
                class="message aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold text-left hover:text-copper hover:underline"
                onclick={() => {
                  view.sheet = null;
                  view.select(r, { focus: true });
                }}>{say(r.message)}</button
              ></td
            >
            <td
              class="r py-1 px-2 border-t align-top text-right aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              ><Quantity value={r.measured} unit={r.unit} /></td
            >
            <td
              class="r py-1 px-2 border-t align-top text-right aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              ><Quantity value={r.limit} unit={r.unit} /></td
            >
            <td
              class="r py-1 px-2 border-t align-top text-right aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              ><Quantity value={r.margin} unit={r.unit} signed /></td
            >
            <td
              class="unit whitespace-nowrap py-1 px-2 border-t align-top aria-pressed:underline aria-pressed:underline-offset-4 aria-pressed:font-semibold"
              >{groundsWords(r.evidence)}</td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</Sheet>
