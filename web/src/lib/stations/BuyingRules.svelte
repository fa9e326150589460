<!-- How one buys: fast or cheap, with or without soldering, and how sure one wants to be. -->
<script lang="ts">
  import type { HouseRules } from '@idle-breadboard/core';

  interface Props {
    rules: HouseRules;
    change: (rules: Partial<HouseRules>, why: string) => void;
  }
  let { rules, change }: Props = $props();
  const SURE = [0.5, 0.8, 0.9, 0.95, 0.99, 0.999];
  const choices = $derived([...new Set([...SURE, rules.sure])].sort((a, b) => a - b));
</script>

<span class="rules">
  <label
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
  <label
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
  <label
    ><span class="unit">enough of each kind works, with</span><select
      class="field"
      aria-label="how sure that enough of each kind works"
      value={rules.sure}
      onchange={(event) => change({ sure: Number(event.currentTarget.value) }, 'spares')}
    >
      {#each choices as share (share)}<option value={share}>{Number((share * 100).toFixed(2))} %</option>{/each}
    </select></label
  >
</span>

<style>
  .rules {
    display: flex;
    flex-direction: column;
    gap: 4px;
    padding-block: 6px;
  }
  label {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 8px;
    align-items: center;
  }
</style>
