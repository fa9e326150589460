<!-- What a day or a coin more buys: the cheapest order for each day on which it can be complete. -->
<script lang="ts">
  import { counted } from '@idle-breadboard/core/words';
  import type { Alternative } from '@idle-breadboard/core/deliver';
  import { money } from '../kit/words';
  import ChartFrame from './ChartFrame.svelte';
  import { costArrival } from './cost-arrival';

  interface Props {
    front: readonly Alternative[];
    budget: number | null;
    days: number | null;
    currency: string;
  }
  let { front, budget, days, currency }: Props = $props();
  const HEIGHT = 150;
  let width = $state(420);
  const chart = $derived(costArrival(front, budget, days, width, HEIGHT));
  const rows = $derived(
    front.map(({ arrival, total, taken }) => [counted(arrival, 'day'), money(total, currency), taken ? 'taken' : '']),
  );
  const taken = $derived(front.find((order) => order.taken));
</script>

<ChartFrame caption="Cost over the day of arrival" heads={['complete after', 'cost', '']} {rows} bind:width>
  <svg
    viewBox="0 0 {width} {HEIGHT}"
    {width}
    height={HEIGHT}
    role="img"
    aria-label={taken
      ? `The order taken costs ${money(taken.total, currency)} and is complete after ${counted(taken.arrival, 'day')}; ${counted(front.length, 'order is', 'orders are')} worth looking at`
      : 'nothing to order'}
  >
    {#each chart.yTicks as tick (tick.at)}<path class="stroke-line stroke-[0.7]" d="M38 {tick.at}H{width - 14}" /><text
        class="text-aside fill-quiet font-mono"
        x="34"
        y={tick.at + 3}
        text-anchor="end">{tick.label}</text
      >{/each}
    {#each chart.xTicks as tick (tick.at)}<text
        class="text-aside fill-quiet font-mono"
        x={tick.at}
        y={HEIGHT - 4}
        text-anchor="middle">{tick.label}</text
      >{/each}
    <text class="text-aside fill-quiet font-mono" x={width - 2} y={HEIGHT - 4} text-anchor="end">days</text>
    {#if chart.budget !== null}<path
        class="stroke-quiet [stroke-dasharray:5_3]"
        d="M38 {chart.budget}H{width - 14}"
      /><text class="text-aside font-mono fill-ink" x="42" y={chart.budget - 4}>budget</text>{/if}
    {#if chart.date !== null}<path class="stroke-quiet [stroke-dasharray:5_3]" d="M{chart.date} 8V{HEIGHT - 18}" /><text
        class="text-aside font-mono fill-ink"
        x={chart.date - 4}
        y="14"
        text-anchor="end">wanted</text
      >{/if}
    <path class="line fill-none stroke-copper stroke-[1.6]" d={chart.line} />
    {#each chart.points as point (point.arrival + '/' + point.total)}
      {#if point.taken}<path class="mark fill-copper" d="M{point.x - 6} {point.y}l6 -6l6 6l-6 6z" />{:else}<circle
          class="fill-raised stroke-copper stroke-[1.6]"
          cx={point.x}
          cy={point.y}
          r="4"
        />{/if}
      <text
        class="text-aside font-mono fill-ink [paint-order:stroke] stroke-board stroke-4"
        x={point.x > width - 70 ? point.x - 8 : point.x + 9}
        y={point.y + (point.y < 24 ? 14 : -7)}
        text-anchor={point.x > width - 70 ? 'end' : 'start'}>{point.total.toFixed(2)}</text
      >
    {/each}
  </svg>
</ChartFrame>
