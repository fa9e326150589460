<!-- Every proof, passes included, sortable by margin. -->
<script lang="ts">
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
  <div class="tools">
    <span role="group" aria-label="order"
      >{#each heads as [id, name] (id)}<button
          type="button"
          class="act bare"
          aria-pressed={order === id}
          onclick={() => (order = id)}>{name}</button
        >{/each}</span
    >
    <input
      class="field"
      placeholder="only with these words"
      aria-label="only proofs with these words"
      bind:value={filter}
    />
    <span class="unit"
      >{all.length} shown, {passes().length} hold, {workbench.study?.verdict.assumed ?? 0} rest on assumed figures (typical
      of the class, or from memory) · fingerprint
      <span class="value" data-fingerprint>{workbench.study?.fingerprint}</span></span
    >
  </div>
  <div class="scroll">
    <table>
      <thead
        ><tr
          ><th><span class="sr-only">Severity</span></th><th>Check</th><th>What holds, or not</th><th class="r"
            >Measured</th
          ><th class="r">Limit</th><th class="r">Margin</th><th>Evidence</th></tr
        ></thead
      >
      <tbody>
        {#each all as r (r.key)}
          <tr>
            <td><Glyph severity={r.severity} /></td>
            <td class="value">{r.check}</td>
            <td
              ><button
                type="button"
                class="message"
                onclick={() => {
                  view.select(r);
                  view.trayOpen = true;
                  view.sheet = null;
                }}>{say(r.message)}</button
              ></td
            >
            <td class="r"><Quantity value={r.measured} unit={r.unit} /></td>
            <td class="r"><Quantity value={r.limit} unit={r.unit} /></td>
            <td class="r"><Quantity value={r.margin} unit={r.unit} signed /></td>
            <td class="unit whitespace-nowrap">{groundsWords(r.evidence)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
</Sheet>

<style>
  .tools {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 14px;
    padding: 5px 12px;
    border-bottom: 1px solid var(--line);
  }
  [aria-pressed='true'] {
    text-decoration: underline;
    text-underline-offset: 4px;
    font-weight: 650;
  }
  .scroll {
    overflow: auto;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    position: sticky;
    top: 0;
    background: var(--bench);
    text-align: left;
    font-weight: 600;
    padding: 3px 8px;
  }
  td {
    padding: 3px 8px;
    border-top: 1px solid var(--line);
    vertical-align: top;
  }
  .r {
    text-align: right;
  }
  .message {
    border: 0;
    padding: 0;
    background: none;
    color: inherit;
    font: inherit;
    text-align: left;
  }
  .message:hover {
    color: var(--copper);
    text-decoration: underline;
  }
</style>
