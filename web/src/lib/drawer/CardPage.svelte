<!-- A card: every figure with its source, what is missing, its revisions; to be used, cloned or edited. -->
<script lang="ts">
  import { differences, figuresOf, missingOf, type Card, type PlacedFigure } from '@idle-breadboard/core/card';
  import { formatAddress, formatQuantity } from '@idle-breadboard/core/figures';
  import { setStock } from '@idle-breadboard/core/plan';
  import { addPart } from '@idle-breadboard/core/solve';
  import { asksFor } from '@idle-breadboard/core/verify';
  import { ruleOf, say } from '@idle-breadboard/core/words';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { money } from '../kit/words';
  import { desk } from '../state/desk.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { card, back, close }: { card: Card; back: () => void; close: () => void } = $props();
  const figures = $derived(figuresOf(card));
  const missing = $derived(missingOf(card));
  const used = $derived(workbench.plan?.parts.filter((part) => part.card === card.id).length ?? 0);
  const newer = $derived(workbench.newer.find(({ after }) => after.id === card.id) ?? null);
  const changes = $derived(newer ? differences(newer.before, newer.after) : []);

  const bound = (v: number, unit: string) =>
    unit === 'address'
      ? formatAddress(v)
      : unit === 'word'
        ? `0x${v.toString(16).toUpperCase()}`
        : unit === 'share'
          ? `${v} × supply`
          : unit === 'offset'
            ? `supply ${v < 0 ? '−' : '+'} ${Math.abs(v)} V`
            : formatQuantity(v, unit, 4);
  const SOURCE_WORDS = {
    measured: 'measured',
    datasheet: 'datasheet',
    seller: 'seller’s page',
    'class-typical': 'class-typical',
    memory: 'from memory',
  };
  const sourceText = (f: PlacedFigure) =>
    f.source ? `${SOURCE_WORDS[f.source.kind]}${f.source.page ? `, p. ${f.source.page}` : ''}` : '';

  /** Which checks rest on a figure, in their short words. */
  const askedBy = (checks: readonly string[]) =>
    checks.length > 0
      ? `asked for by ${checks.map((check) => ruleOf(check).short).join(', ')}`
      : 'no check asks for it';

  function use() {
    const circuit = workbench.circuit();
    if (!circuit) return;
    const { plan } = addPart(circuit, workbench.library, card);
    const pieces = plan.stock[card.id] ?? drawer.stock[card.id] ?? 0;
    workbench.edit(setStock(plan, card.id, pieces), `add ${card.name}`);
    view.say(`${card.name} added to the plan.`);
    close();
  }

  async function remove() {
    await drawer.remove(card.id);
    if (!drawer.cards.has(card.id)) back();
  }

  function takeNewer() {
    if (!newer) return;
    const problems = workbench.takeRevision(newer.after);
    if (problems.length > 0)
      view.say(
        `The plan uses what revision ${newer.after.revision} no longer has: ${say(problems[0]?.message ?? '')}.`,
      );
    else view.say(`The plan now rests on revision ${newer.after.revision} of ${card.name}.`);
  }
</script>

<!-- One region scrolls, tools and all: what can be scrolled can be reached with the keyboard. -->
<div class="whole">
  <div class="tools">
    <button type="button" class="act bare" onclick={back}><ArrowLeft size={14} />catalogue</button>
    <span class="unit grow"
      >{card.class}; revision <span class="value">{card.revision}</span>{#if used > 0}, used {used === 1
          ? 'once'
          : `${used} times`} in this plan{/if}</span
    >
    {#if workbench.plan}<button type="button" class="act" onclick={use}>Add to the plan</button>{/if}
    <button type="button" class="act" onclick={() => void desk.revise(card, 'revision')}>Edit</button>
    <button type="button" class="act" onclick={() => void desk.revise(card, 'copy')}>Clone</button>
    {#if drawer.isOwn(card.id)}<button type="button" class="act bare text-danger" onclick={remove}>Remove mine</button
      >{/if}
  </div>
  <div class="page">
    {#if newer}
      <div class="newer">
        <p class="m-0">
          The plan was made with revision <span class="value">{newer.before.revision}</span>; this is
          <span class="value">{newer.after.revision}</span>. It differs in {changes.length}
          {changes.length === 1 ? 'figure' : 'figures'}: {changes.map(({ title }) => say(title)).join('; ') ||
            'none that is a number'}.
        </p>
        {#await workbench.effectOfRevision(newer.after) then effect}
          <p class="m-0" data-effect>
            {#if effect.names}It no longer has what the plan uses: {effect.names}.
            {:else if effect.brings.length === 0}Taken into the plan it brings no finding{effect.ends > 0
                ? ` and ends ${effect.ends}`
                : ''}.
            {:else}Taken into the plan it brings {effect.brings.length}
              {effect.brings.length === 1 ? 'finding' : 'findings'}{effect.ends > 0 ? ` and ends ${effect.ends}` : ''}: {effect.brings
                .slice(0, 3)
                .map(({ message }) => say(message))
                .join(' ')}{/if}
          </p>
        {/await}
        <button type="button" class="act" onclick={takeNewer}>Take revision {newer.after.revision} into the plan</button
        >
      </div>
    {/if}
    {#each card.cautions ?? [] as caution (caution.says)}<p class="caution">
        <strong>{caution.hazard}</strong>: {caution.says}
      </p>{/each}
    <table>
      <thead
        ><tr
          ><th>figure</th><th class="num">min</th><th class="num">typ</th><th class="num">max</th><th>conditions</th><th
            >source</th
          ></tr
        ></thead
      >
      <tbody>
        {#each figures as f (f.place)}
          <tr>
            <th scope="row" title={askedBy(asksFor(f.id))}>{say(f.title)}</th>
            <td class="num value">{f.min === undefined ? '' : bound(f.min, f.unit)}</td>
            <td class="num value">{f.typ === undefined ? '' : bound(f.typ, f.unit)}</td>
            <td class="num value">{f.max === undefined ? '' : bound(f.max, f.unit)}</td>
            <td class="unit">{f.conditions ?? ''}</td>
            <td class="unit" title={f.source?.title}>{sourceText(f)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if missing.length > 0}
      <h3 class="eyebrow">missing</h3>
      <ul>
        {#each missing as miss (say(miss.title))}<li>
            <span class="font-semibold">{say(miss.title)}</span>:
            <span class="unit" title={miss.figure && askedBy(asksFor(miss.figure))}>{say(miss.without)}</span>
          </li>{/each}
      </ul>
    {/if}
    {#if (card.besides ?? []).length > 0}
      <h3 class="eyebrow">other sources say</h3>
      <ul>
        {#each card.besides ?? [] as beside (`${beside.place} ${beside.kind}`)}<li>
            <span class="value">{beside.place}</span>: {beside.says} ({SOURCE_WORDS[beside.kind]}, {beside.from})
          </li>{/each}
      </ul>
    {/if}
    <h3 class="eyebrow">terminals</h3>
    <p class="m-0">{card.terminals.map((t) => `${t.position} ${t.label}`).join(', ') || 'none'}</p>
    {#if drawer.stock[card.id]}<p class="m-0">
        <span class="value">{drawer.stock[card.id]}</span> in the drawer
      </p>{/if}
    {#if card.offers.length > 0}
      <h3 class="eyebrow">offers</h3>
      <ul>
        {#each card.offers as offer, i (i)}<li>
            {offer.supplier}: <span class="value">{money(offer.price, offer.currency)}</span>{offer.pack > 1
              ? ` for ${offer.pack}`
              : ''}, {offer.leadDays} days, shipping <span class="value">{money(offer.shipping, offer.currency)}</span>
          </li>{/each}
      </ul>
    {/if}
  </div>
</div>

<style>
  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    align-items: center;
    padding: 4px 12px;
    border-bottom: 1px solid var(--line);
    position: sticky;
    top: 0;
    z-index: 1;
    background: var(--board);
  }
  .whole {
    overflow: auto;
    min-height: 0;
  }
  .page {
    padding: 8px 12px 16px;
  }
  .newer {
    display: flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
    padding: 6px 10px;
    margin-bottom: 8px;
    border-left: 4px solid var(--copper);
    background: var(--copper-soft);
  }
  .caution {
    margin: 0 0 6px;
    padding: 4px 10px;
    border-left: 4px solid var(--caution);
    background: var(--raised);
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    font-weight: 400;
    padding: 2px 8px 2px 0;
    border-bottom: 1px solid var(--line);
  }
  thead th {
    color: var(--quiet);
    font-size: 0.85rem;
  }
  .num {
    text-align: right;
  }
  ul {
    margin: 2px 0;
    padding-left: 18px;
  }
  h3 {
    margin: 12px 0 2px;
    font-weight: 500;
  }
</style>
