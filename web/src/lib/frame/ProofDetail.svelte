<!-- One result in full: the sentence, the sum, what it rests on, and its remedies. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { Remedy } from '@idle-breadboard/core/solve';
  import { say, ruleOf } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import { signedMoney } from '../kit/words';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const result = $derived(view.result);
  const rule = $derived(result ? ruleOf(result.check) : null);
  let remedies = $state.raw<readonly Remedy[]>([]);
  let asked = $state<string | null>(null);
  /** The finding that an answer is on its way for. */
  const wanted = $derived(result?.severity && result.severity !== 'note' ? result.key : null);
  /** Single changes that were tried. */
  let tried = $state(0);

  $effect(() => {
    const key = wanted;
    const study = workbench.study;
    remedies = [];
    asked = null;
    if (key === null || workbench.stale) return;
    void workbench.remedies(key).then((found) => {
      if (!found || view.result?.key !== key || workbench.study !== study) return;
      remedies = found.remedies;
      tried = found.tried;
      asked = key;
    });
  });

  function effectOf(remedy: Remedy): string {
    const parts = [`ends ${remedy.ends.length} ${remedy.ends.length === 1 ? 'finding' : 'findings'}`];
    if (remedy.brings.length > 0) parts.push(`brings ${remedy.brings.length} ${remedy.brings[0]?.severity ?? ''}`);
    const worse = remedy.deepens.length;
    if (worse === 1) parts.push('another finding gets worse until its own remedy is taken');
    if (worse > 1) parts.push(`${worse} other findings get worse until their own remedies are taken`);
    if (remedy.pieces > 0) parts.push(`adds ${remedy.pieces} ${remedy.pieces === 1 ? 'part' : 'parts'}`);
    if (remedy.pieces < 0) parts.push(`saves ${-remedy.pieces} ${remedy.pieces === -1 ? 'part' : 'parts'}`);
    if (Math.abs(remedy.cost) > 0.004) parts.push(signedMoney(remedy.cost));
    return parts.join(', ');
  }

  function apply(remedy: Remedy) {
    workbench.edit(remedy.plan, say(remedy.title));
    view.say(`${say(remedy.title)}. Ctrl+Z takes it back.`);
  }

  function source(r: NonNullable<typeof result>['rests'][number]): string {
    const { kind, title, revision, page } = r.source;
    return [kind, title, revision && `rev. ${revision}`, page && `page ${page}`].filter(Boolean).join(', ');
  }
</script>

{#if result}
  <div class="detail" data-detail={result.key}>
    <p class="sentence"><Glyph severity={result.severity} /> {say(result.message)}</p>
    {#if remedies.length > 0}
      <ul class="remedies" aria-label="remedies">
        {#each remedies as remedy, i (remedy.id)}
          <li>
            <button type="button" class="act" data-remedy={i} disabled={workbench.stale} onclick={() => apply(remedy)}
              >{say(remedy.title)}</button
            >
            <span class="unit">{effectOf(remedy)}</span>
          </li>
        {/each}
      </ul>
    {:else if wanted === result.key && asked !== wanted && !workbench.stale}
      <p class="unit">Trying every single change that might end this…</p>
    {:else if asked === result.key}
      <p class="unit">
        {tried > 0 ? `None of ${tried} single changes that were tried ends` : 'No single change is known that ends'} this
        alone without bringing a danger or fault. Mend all looks for several together; or change the row above.
      </p>
    {/if}
    {#if result.severity !== null && result.meaning}<p class="unit">{say(result.meaning)}</p>{/if}
    {#if result.workings.length > 0}
      <table>
        <caption class="sr-only">The sum</caption>
        <tbody>
          {#each result.workings as step, i (i)}
            <tr
              ><th scope="row">{say(step.name)}</th><td class="value sum">{say(step.sum)}</td><td class="figure"
                >{#if step.value !== undefined}<Quantity
                    value={step.value}
                    unit={step.unit ?? ''}
                    digits={4}
                  />{/if}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    {/if}
    <p class="unit rests">
      {rule?.title}. {rule?.rule} <em>Source:</em>
      {rule?.source}.
      {#if result.rests.length > 0}<br /><em>Rests on</em>
        {result.rests
          .map(source)
          .filter((text, i, all) => all.indexOf(text) === i)
          .join('; ')}.{/if}
      {#if result.margin !== null && result.unit}<span class="sr-only"
          >Margin {formatQuantity(result.margin, result.unit)}</span
        >{/if}
    </p>
  </div>
{:else}
  <p class="unit hint">
    Choose a finding: <kbd class="value">]</kbd> the next, <kbd class="value">[</kbd> the one before,
    <kbd class="value">Enter</kbd>
    takes its first remedy, <kbd class="value">Ctrl+Z</kbd> takes it back. Any proof shows its sum here.
  </p>
{/if}

<style>
  .detail {
    padding: 6px 12px 10px;
  }
  p {
    margin: 0 0 5px;
  }
  .sentence {
    font-size: 1.07rem;
    font-weight: 560;
  }
  .hint {
    padding: 8px 12px;
  }
  .remedies {
    list-style: none;
    margin: 0 0 6px;
    padding: 0;
  }
  .remedies li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px 10px;
    min-height: var(--row);
  }
  .remedies .act {
    white-space: normal;
    text-align: left;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    margin-bottom: 6px;
  }
  th {
    font-weight: 400;
    text-align: left;
    padding: 1px 10px 1px 0;
    vertical-align: top;
  }
  td {
    padding: 1px 10px 1px 0;
    vertical-align: top;
    border-top: 1px dotted var(--line);
  }
  th {
    border-top: 1px dotted var(--line);
  }
  .sum {
    white-space: normal;
    overflow-wrap: anywhere;
    color: var(--quiet);
  }
  .figure {
    text-align: right;
  }
  .rests {
    font-size: 0.88rem;
  }
</style>
