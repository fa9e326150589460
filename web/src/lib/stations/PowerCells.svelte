<!-- Cells: how long they must last and do, what eats the charge, and what other choices would buy. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { runtimeOf, type Circuit, type Rail } from '@idle-breadboard/core/circuit';
  import { DAY, formatQuantity } from '@idle-breadboard/core/figures';
  import { eaterName } from '@idle-breadboard/core/verify';
  import { counted, formatSpan, say } from '@idle-breadboard/core/words';
  import RuntimeCurve from '../charts/RuntimeCurve.svelte';
  import SpanBar from '../charts/SpanBar.svelte';
  import Proof from '../kit/Proof.svelte';
  import Quantity from '../kit/Quantity.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import { signedMoney } from '../kit/words';
  import { of, type Proofs } from '../state/proofs';
  import { whatIfs } from '../state/what-if.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, proofs, rail }: { circuit: Circuit; proofs: Proofs; rail: Rail } = $props();
  const MAX_EATERS = 6;
  const runtime = $derived(runtimeOf(circuit, rail));
  const runFor = $derived(circuit.plan.runFor);
  const choices = $derived(whatIfs.for(rail.ref));
  const longest = $derived(
    Math.max(runtime?.usual.seconds ?? 0, runFor ?? 0, ...(choices ?? []).map(({ usual }) => usual)) || 1,
  );
  const kind = $derived(runtime ? `${counted(runtime.cells.count, `${runtime.cells.chemistry} cell`)}` : '');
  const WHY = { empty: 'empty', 'cut-off': 'cells at their end', 'brown-out': 'the build stops' } as const;
  /** Each step of the sum: what is in them, what of it can be used, what leaves, and so how long. */
  const sums = $derived.by((): [string, string, string][] => {
    if (!runtime) return [];
    const { usual, worst, packs, mean, air } = runtime;
    const each = (say: (as: 'usual' | 'worst') => string): [string, string] => [say('usual'), say('worst')];
    const runs = { usual, worst };
    return [
      ['air', ...each((as) => formatQuantity(air[as], '°C'))],
      ['charge', ...each((as) => `${formatQuantity(packs[as].charge / 3600, 'A')}h`)],
      ['usable', ...each((as) => percent(runs[as].used))],
      ['average', ...each((as) => formatQuantity(mean[as] + packs[as].leak, 'A'))],
      ['lasts', ...each((as) => formatSpan(runs[as].seconds))],
      ['ends as', ...each((as) => WHY[runs[as].ends])],
    ];
  });
  const percent = (share: number) => `${Number((share * 100).toFixed(share < 0.1 ? 1 : 0))} %`;
</script>

{#if runtime}
  <Row subjects={[rail.ref]} head>
    {#snippet choose()}
      <span class="grow">{say(rail.label)}</span>
      <span class="unit font-normal"
        >must last <QuantityField
          value={runFor === undefined ? null : Number((runFor / DAY).toFixed(3))}
          unit="days"
          width="5.4em"
          label="days that the build must run on one filling"
          check={(v) => (v > 0 ? null : 'more than 0')}
          ahead
          change={(days) =>
            workbench.plan && workbench.edit({ ...workbench.plan, runFor: days * DAY }, 'how long it must run')}
        /></span
      >
      <table
        class="font-normal basis-full mt-0.5 mb-1.5 max-desk:table-fixed max-desk:w-full max-desk:[&_th]:whitespace-normal"
      >
        <thead
          ><tr
            ><th class="unit text-right font-normal py-px pl-3 border-b border-dotted first:text-left first:pl-0"
              >{kind}</th
            ><th class="text-right font-normal py-px pl-3 border-b border-dotted first:text-left first:pl-0">usual</th
            ><th class="text-right font-normal py-px pl-3 border-b border-dotted first:text-left first:pl-0">worst</th
            ></tr
          ></thead
        >
        <tbody>
          {#each sums as [name, usual, worst] (name)}
            <tr
              ><th
                scope="row"
                class="unit text-right font-normal py-px pl-3 border-b border-dotted first:text-left first:pl-0"
                >{name}</th
              ><td class="value text-right font-normal py-px pr-0 pl-3 border-b border-dotted border-b-line">{usual}</td
              ><td class="value text-right font-normal py-px pr-0 pl-3 border-b border-dotted border-b-line">{worst}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
      {#if runtime.cells.chemistry === 'lithium'}<p class="unit font-normal basis-full">
          A protected cell, the right charger and a fuse; never charge it unattended.
        </p>{/if}
    {/snippet}
    {#snippet prove()}
      {#each of(proofs, rail.ref, 'supply/runtime', 'supply/sag') as result (result.key)}<Proof {result} />{/each}
      <RuntimeCurve label={say(rail.label)} {runtime} wanted={runFor} />
    {/snippet}
  </Row>
  {#each runtime.eaters.slice(0, MAX_EATERS) as eater (eater.subject + eater.doing)}
    <Row subjects={[eater.subject]} depth={1}>
      {#snippet choose()}<span class="grow">{say(eaterName(eater))}</span><Quantity
          value={eater.amps}
          unit="A"
        />{/snippet}
      {#snippet prove()}
        <span
          class="flex-[1_1_120px] h-1.5 border-b inline-block"
          role="img"
          aria-label="{percent(eater.share)} of the charge"
          ><span class="part block h-1.5 bg-copper" style:width="{eater.share * 100}%"></span></span
        ><span class="value">{percent(eater.share)}</span><span class="unit">of the charge</span>
      {/snippet}
    </Row>
  {/each}
  <Row head>
    {#snippet choose()}What if{/snippet}
    {#snippet prove()}<span class="unit"
        >{choices === null
          ? 'working it out'
          : choices.length === 0
            ? 'nothing else is at hand'
            : 'hours that each choice alone would buy'}</span
      >{/snippet}
  </Row>
  {#each choices ?? [] as choice (choice.id)}
    <Row depth={1}>
      {#snippet choose()}
        <span class="grow">{say(choice.title)}</span>
        {#if choice.cost !== 0}<span class="unit value">{signedMoney(choice.cost)}</span>{/if}
        <Button
          disabled={whatIfs.stale || workbench.late}
          aria-label="Take: {say(choice.title)}"
          onclick={() => {
            // It was made of the plan that is shown.
            if (!workbench.stale) workbench.edit(choice.plan, say(choice.title).toLowerCase());
          }}>Take</Button
        >
        {#if choice.wrong.length > 0}<span class="basis-full text-fault">{say(choice.wrong[0])}</span>{/if}
      {/snippet}
      {#snippet prove()}
        <SpanBar usual={choice.usual} worst={choice.worst} wanted={runFor} {longest} />
        <span class="value min-w-[13em] text-right"
          >{choice.usual === 0 ? 'does not start' : `${formatSpan(choice.worst)} – ${formatSpan(choice.usual)}`}</span
        >
        <span
          class="value min-w-[6.4em] text-right text-pass data-less:text-danger"
          data-less={choice.gain < 0 || undefined}
          >{choice.gain >= 0 ? '+' : '−'}{Math.round(Math.abs(choice.gain) / 3600)} h</span
        >
      {/snippet}
    </Row>
  {/each}
{/if}
