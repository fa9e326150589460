<!-- How one buys: fast or cheap, with or without soldering, and how sure one wants to be. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
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
    ><span class="unit">buy</span><Select
      label="how to buy"
      value={rules.buying}
      choices={[
        { value: 'fast', label: 'fast and dear' },
        { value: 'cheap', label: 'slow and cheap, with spares' },
      ]}
      ahead
      change={(to) => change({ buying: to === 'cheap' ? 'cheap' : 'fast' }, 'how to buy')}
    /></label
  >
  <label class="inline-flex flex-wrap gap-2 items-center"
    ><span class="unit">soldering</span><Select
      label="soldering"
      value={rules.soldering}
      choices={[
        { value: 'none', label: 'none, where that can be had' },
        { value: 'cheapest', label: 'where it is cheaper' },
      ]}
      ahead
      change={(to) => change({ soldering: to === 'cheapest' ? 'cheapest' : 'none' }, 'bare or breakout')}
    /></label
  >
  <label class="inline-flex flex-wrap gap-2 items-center"
    ><span class="unit">enough of each kind works, with</span><Select
      label="how sure that enough of each kind works"
      value={String(rules.sure)}
      choices={choices.map((share) => ({ value: String(share), label: `${Number((share * 100).toFixed(2))} %` }))}
      ahead
      change={(to) => change({ sure: Number(to) }, 'spares')}
    /></label
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
