<!-- A card: every figure with its source, what is missing, its revisions; to be used, cloned or edited. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { differences, figuresOf, missingOf, type Card, type PlacedFigure } from '@idle-breadboard/core/card';
  import { formatAddress, formatQuantity } from '@idle-breadboard/core/figures';
  import { setStock } from '@idle-breadboard/core/plan';
  import { addPart } from '@idle-breadboard/core/solve';
  import { asksFor } from '@idle-breadboard/core/verify';
  import { counted, ruleOf, say } from '@idle-breadboard/core/words';
  import ArrowLeft from '@lucide/svelte/icons/arrow-left';
  import { money } from '../kit/words';
  import { desk } from '../state/desk.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { telling } from '../state/telling.svelte';
  import { circuitNow } from '../state/circuit-now';
  import { revising } from '../state/revising.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { card, back, close }: { card: Card; back: () => void; close: () => void } = $props();
  const figures = $derived(figuresOf(card));
  const missing = $derived(missingOf(card));
  const used = $derived(workbench.plan?.parts.filter((part) => part.card === card.id).length ?? 0);
  const newer = $derived(revising.newer.find(({ after }) => after.id === card.id) ?? null);
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
    const circuit = circuitNow();
    if (!circuit) return;
    const { plan } = addPart(circuit, workbench.library, card);
    const pieces = plan.stock[card.id] ?? drawer.stock[card.id] ?? 0;
    workbench.edit(setStock(plan, card.id, pieces), `add ${card.name}`);
    telling.say(`${card.name} added to the plan.`);
    close();
  }

  async function remove() {
    await drawer.remove(card.id);
    if (!drawer.cards.has(card.id)) back();
  }

  function takeNewer() {
    if (!newer) return;
    const problems = revising.take(newer.after);
    if (problems.length > 0)
      telling.say(
        `The plan uses what revision ${newer.after.revision} no longer has: ${say(problems[0]?.message ?? '')}.`,
      );
    else telling.say(`The plan now rests on revision ${newer.after.revision} of ${card.name}.`);
  }
</script>

<!-- One region scrolls, tools and all: what can be scrolled can be reached with the keyboard. -->
<div class="overflow-auto min-h-0">
  <div class="flex flex-wrap gap-1.5 items-center py-1 px-3 border-b sticky top-0 z-1 bg-board">
    <Button kind="bare" onclick={back}><ArrowLeft size={14} />catalogue</Button>
    <span class="unit grow"
      >{card.class}; revision <span class="value">{card.revision}</span>{#if used > 0}, used {used === 1
          ? 'once'
          : `${used} times`} in this plan{/if}</span
    >
    {#if workbench.plan}<Button onclick={use}>Add to the plan</Button>{/if}
    <Button onclick={() => void desk.revise(card, 'revision')}>Edit</Button>
    <Button onclick={() => void desk.revise(card, 'copy')}>Clone</Button>
    {#if drawer.isOwn(card.id)}<Button kind="bare" tone="lose" onclick={remove}>Remove mine</Button>{/if}
  </div>
  <div class="page pt-2 pb-4 px-3">
    {#if newer}
      <div class="newer flex flex-wrap gap-2 items-center py-1.5 px-2.5 mb-2 border-l-4 border-l-copper bg-copper-soft">
        <p class="m-0">
          The plan was made with revision <span class="value">{newer.before.revision}</span>; this is
          <span class="value">{newer.after.revision}</span>. It differs in {counted(changes.length, 'figure')}: {changes
            .map(({ title }) => say(title))
            .join('; ') || 'none that is a number'}.
        </p>
        {#await revising.effectOf(newer.after) then effect}
          <p class="m-0" data-effect>
            {#if effect.names}It no longer has what the plan uses: {say(effect.names.message)}.
            {:else if effect.brings.length === 0}Taken into the plan it brings no finding{effect.ends > 0
                ? ` and ends ${effect.ends}`
                : ''}.
            {:else}Taken into the plan it brings {counted(effect.brings.length, 'finding')}{effect.ends > 0
                ? ` and ends ${effect.ends}`
                : ''}: {effect.brings
                .slice(0, 3)
                .map(({ message }) => say(message))
                .join(' ')}{/if}
          </p>
        {/await}
        <Button onclick={takeNewer}>Take revision {newer.after.revision} into the plan</Button>
      </div>
    {/if}
    {#each card.cautions ?? [] as caution (caution.says)}<p
        class="mb-1.5 py-1 px-2.5 border-l-4 border-l-caution bg-raised"
      >
        <strong>{caution.hazard}</strong>: {caution.says}
      </p>{/each}
    <table class="w-full">
      <thead
        ><tr
          ><th class="text-left font-normal py-0.5 pr-2 border-b text-quiet text-aside">figure</th><th
            class="font-normal py-0.5 pr-2 border-b text-quiet text-aside text-right">min</th
          ><th class="font-normal py-0.5 pr-2 border-b text-quiet text-aside text-right">typ</th><th
            class="font-normal py-0.5 pr-2 border-b text-quiet text-aside text-right">max</th
          ><th class="text-left font-normal py-0.5 pr-2 border-b text-quiet text-aside">conditions</th><th
            class="text-left font-normal py-0.5 pr-2 border-b text-quiet text-aside">source</th
          ></tr
        ></thead
      >
      <tbody>
        {#each figures as f (f.place)}
          <tr>
            <th class="text-left font-normal py-0.5 pr-2 border-b" scope="row" title={askedBy(asksFor(f.id))}
              >{say(f.title)}</th
            >
            <td class="value font-normal py-0.5 pr-2 pl-0 border-b border-b-line text-right"
              >{f.min === undefined ? '' : bound(f.min, f.unit)}</td
            >
            <td class="value font-normal py-0.5 pr-2 pl-0 border-b border-b-line text-right"
              >{f.typ === undefined ? '' : bound(f.typ, f.unit)}</td
            >
            <td class="value font-normal py-0.5 pr-2 pl-0 border-b border-b-line text-right"
              >{f.max === undefined ? '' : bound(f.max, f.unit)}</td
            >
            <td class="unit font-normal py-0.5 pr-2 border-b">{f.conditions ?? ''}</td>
            <td class="unit font-normal py-0.5 pr-2 border-b" title={f.source?.title}>{sourceText(f)}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if missing.length > 0}
      <h3 class="eyebrow mt-3 mb-0.5 mx-0 font-medium">missing</h3>
      <ul class="my-0.5 pl-4.5">
        {#each missing as miss (say(miss.title))}<li>
            <span class="font-semibold">{say(miss.title)}</span>:
            <span class="unit" title={miss.figure && askedBy(asksFor(miss.figure))}>{say(miss.without)}</span>
          </li>{/each}
      </ul>
    {/if}
    {#if (card.besides ?? []).length > 0}
      <h3 class="eyebrow mt-3 mb-0.5 mx-0 font-medium">other sources say</h3>
      <ul class="my-0.5 pl-4.5">
        {#each card.besides ?? [] as beside (`${beside.place} ${beside.kind}`)}<li>
            <span class="value">{beside.place}</span>: {beside.says} ({SOURCE_WORDS[beside.kind]}, {beside.from})
          </li>{/each}
      </ul>
    {/if}
    <h3 class="eyebrow mt-3 mb-0.5 mx-0 font-medium">terminals</h3>
    <p class="m-0">{card.terminals.map((t) => `${t.position} ${t.label}`).join(', ') || 'none'}</p>
    {#if drawer.stock[card.id]}<p class="m-0">
        <span class="value">{drawer.stock[card.id]}</span> in the drawer
      </p>{/if}
    {#if card.offers.length > 0}
      <h3 class="eyebrow mt-3 mb-0.5 mx-0 font-medium">offers</h3>
      <ul class="my-0.5 pl-4.5">
        {#each card.offers as offer, i (i)}<li>
            {offer.supplier}: <span class="value">{money(offer.price, offer.currency)}</span>{offer.pack > 1
              ? ` for ${offer.pack}`
              : ''}, {counted(offer.leadDays, 'day')}, shipping
            <span class="value">{money(offer.shipping, offer.currency)}</span>
          </li>{/each}
      </ul>
    {/if}
  </div>
</div>
