<!-- An analog reading: its divider or fixed resistor, the curve at the pin, and what a count is worth. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { fixedResistors, type Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { changeHelperOf, removeHelper, type Plan } from '@idle-breadboard/core/plan';
  import { withFixedResistor } from '@idle-breadboard/core/solve';
  import { fullScale, transferPoints, type AnalogLink } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import TransferCurve from '../charts/TransferCurve.svelte';
  import Proof from '../kit/Proof.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, link, proofs }: { circuit: Circuit; link: AnalogLink; proofs: Proofs } = $props();
  const CHECKS = ['analog/range', 'analog/dead-ends', 'analog/source', 'analog/resolution', 'analog/divider'];

  const transfer = $derived(link.measure?.analog);
  const points = $derived(transferPoints(link));
  const results = $derived(of(proofs, link.net.id, ...CHECKS));
  const divider = $derived(link.divider);
  /** The most even values of the series for the wanted range. */
  const designed = $derived(
    transfer && transfer.kind !== 'linear' && link.need
      ? fixedResistors(transfer, link.need, circuit.plan.rules.series).slice(0, 4)
      : [],
  );

  const edit = (change: (plan: Plan) => Plan, why: string) => {
    if (workbench.plan) workbench.edit(change(workbench.plan), why);
  };

  const setFixed = (ohms: number) =>
    edit((p) => withFixedResistor(circuit, p, link, ohms) ?? p, `fixed resistor of ${say(link.part.label)}`);

  const setDivider = (which: 'upper' | 'lower', ohms: number) =>
    divider && edit((p) => changeHelperOf(p, divider.helper, 'divider', (h) => ({ ...h, [which]: ohms })), 'a divider');
  const positive = (v: number) => (v > 0 ? null : 'more than 0 Ω');
</script>

<Row subjects={[link.net.id]} depth={1}>
  {#snippet choose()}
    {#if link.need && link.measure}
      <span>{link.measure.quantity}</span>
      <span class="unit"
        >{link.need.from} to {formatQuantity(link.need.to, link.need.unit)} within ±{formatQuantity(
          link.need.accuracy,
          link.need.unit,
        )}</span
      >
    {:else}<span class="unit">nothing is wanted of it but that it turns</span>{/if}
    {#if transfer && transfer.kind !== 'linear'}
      <span class="inline-flex items-center gap-1"
        ><span class="unit">fixed resistor</span>
        {#if link.net.fixed}
          <QuantityField
            value={link.net.fixed.ohms.typ}
            unit="Ω"
            label="fixed resistor of {say(link.part.label)}"
            width="5em"
            check={positive}
            ahead
            change={setFixed}
          />
        {:else}<span class="unit">none yet</span>{/if}</span
      >
      <span
        class="inline-flex flex-wrap gap-x-1"
        role="group"
        aria-label="most even fixed resistors for {say(link.part.label)}"
      >
        {#each designed as d (d.ohms)}
          <Button
            kind="bare"
            class="data-on:border-copper"
            data-on={link.net.fixed?.ohms.typ === d.ohms || undefined}
            onclick={() => setFixed(d.ohms)}
            >{formatQuantity(d.ohms, 'Ω')}<span class="unit">even {formatQuantity(d.evenness * 100, '%', 2)}</span
            ></Button
          >
        {/each}
      </span>
    {/if}
    {#if divider}
      <span class="inline-flex items-center gap-1"
        ><span class="unit">divider</span>
        <QuantityField
          value={divider.upper}
          unit="Ω"
          label="upper resistor of the divider"
          width="5em"
          check={positive}
          ahead
          change={(ohms) => setDivider('upper', ohms)}
        />
        <span class="unit">over</span>
        <QuantityField
          value={divider.lower}
          unit="Ω"
          label="lower resistor of the divider"
          width="5em"
          check={positive}
          ahead
          change={(ohms) => setDivider('lower', ohms)}
        />
        <Button onclick={() => edit((p) => removeHelper(p, divider.helper), 'remove a divider')}>Take it out</Button
        ></span
      >
    {/if}
    {#each link.net.filters as { helper, farads } (helper)}
      <span class="inline-flex items-center gap-1"
        ><span class="unit">{formatQuantity(farads, 'F')} at the pin</span>
        <Button
          aria-label="take the capacitor at the pin of {say(link.part.label)} out"
          onclick={() => edit((p) => removeHelper(p, helper), 'remove a capacitor')}>Take it out</Button
        ></span
      >
    {/each}
  {/snippet}
  {#snippet prove()}
    {#if points.length > 0 && link.need && link.measure}
      <TransferCurve
        label={say(link.part.label)}
        unit={link.measure.unit}
        {points}
        wanted={link.need}
        fullScale={fullScale(link)}
        decades={transfer?.kind === 'light'}
      />
    {/if}
    {#each results as result (result.key)}<Proof
        {result}
        {...result.check === 'analog/divider' && result.unit === 'K' ? { word: 'warmth' } : {}}
      />{/each}
  {/snippet}
</Row>
