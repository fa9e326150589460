<!-- How one buys: fast or cheap, with or without soldering, and how sure one wants to be. -->
<script lang="ts">
  import type { HouseRules, Money } from '@idle-breadboard/core/plan';
  import QuantityField from '../kit/QuantityField.svelte';

  interface Props {
    rules: HouseRules;
    change: (rules: Partial<HouseRules>, why: string) => void;
    money: Money;
    /** Currencies of offers that cannot be counted yet. */
    unpriced: readonly string[];
    rate: (currency: string, value: number) => void;
  }
  let { rules, change, money, unpriced, rate }: Props = $props();
  const SURE = [0.5, 0.8, 0.9, 0.95, 0.99, 0.999];
  const choices = $derived([...new Set([...SURE, rules.sure])].sort((a, b) => a - b));
</script>

<span class="flex flex-col gap-1 py-1.5">
  <label class="inline-flex flex-wrap gap-2 items-center"
    ><span class="unit">buy</span><select
      class="field"
      aria-label="how to buy"
      value={rules.buying}
      onchange={(event) => change({ buying: event.currentTarget.value === 'cheap' ? 'cheap' : 'fast' }, 'how to buy')}
    >
      <option value="fast">fast and dear</option>
      <option value="cheap">slow and cheap, with spares</option>
    </select></label
  >
  <label class="inline-flex flex-wrap gap-2 items-center"
    ><span class="unit">soldering</span><select
      class="field"
      aria-label="soldering"
      value={rules.soldering}
      onchange={(event) =>
        change({ soldering: event.currentTarget.value === 'cheapest' ? 'cheapest' : 'none' }, 'bare or breakout')}
    >
      <option value="none">none, where that can be had</option>
      <option value="cheapest">where it is cheaper</option>
    </select></label
  >
  <label class="inline-flex flex-wrap gap-2 items-center"
    ><span class="unit">enough of each kind works, with</span><select
      class="field"
      aria-label="how sure that enough of each kind works"
      value={rules.sure}
      onchange={(event) => change({ sure: Number(event.currentTarget.value) }, 'spares')}
    >
      {#each choices as share (share)}<option value={share}>{Number((share * 100).toFixed(2))} %</option>{/each}
    </select></label
  >
  {#each [...new Set([...Object.keys(money.rates), ...unpriced])].sort() as currency (currency)}
    <span class="inline-flex flex-wrap items-center gap-2"
      ><span class="unit">1 {currency} is</span><QuantityField
        value={money.rates[currency] ?? 0}
        unit={money.currency}
        plain
        label="rate of {currency}"
        width="4.5em"
        check={(v) => (v > 0 ? null : 'more than 0')}
        change={(value) => rate(currency, value)}
      /><span class="unit">{money.currency}</span>{#if unpriced.includes(currency)}<span class="text-caution"
          >offers in {currency} are not counted until its rate is here</span
        >{/if}</span
    >
  {/each}
</span>
