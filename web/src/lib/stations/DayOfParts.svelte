<!-- What the rounds add up to in a day: how often each part is at work, whether it keeps up, and what it takes. -->
<script lang="ts">
  import { dayOf, type Lane } from '@idle-breadboard/core/circuit';
  import { say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';

  let { lanes }: { lanes: readonly Lane[] } = $props();
  const day = $derived(dayOf(lanes).toSorted((a, b) => b.charge - a.charge));
  const all = $derived(day.reduce((sum, { charge }) => sum + charge, 0));
  /** A·s in a mA·h. */
  const MILLIAMPERE_HOUR = 3.6;
  const mAh = (charge: number) => `${Number((charge / MILLIAMPERE_HOUR).toPrecision(3))} mAh`;
  /** Less than ten need not be whole: a part that works every second day has half a turn. */
  const turns = (count: number) => (count < 10 ? Number(count.toPrecision(2)) : Math.floor(count + 1e-6));
</script>

{#if day.length > 0}
  <table
    class="mt-1.5 w-full max-w-[46rem] border-collapse [&_td]:py-0.5 [&_td]:pr-3 [&_th]:pr-3 [&_tr]:border-t [&_tr]:border-dotted"
  >
    <caption class="eyebrow text-left">In a day</caption>
    <thead class="text-aside text-quiet"
      ><tr>
        <th class="text-left font-normal" scope="col">part</th>
        <th class="text-right font-normal" scope="col">turns</th>
        <th class="text-right font-normal" scope="col">charge</th>
        <th class="text-left font-normal" scope="col">keeps up</th>
      </tr></thead
    >
    <tbody>
      {#each day as { part, label, wanted, usual, least, charge } (part)}
        <tr>
          <th class="text-left font-normal" scope="row">{say(label)}</th>
          <td class="value text-right">{turns(usual)}</td>
          <td class="value text-right">{mAh(charge)}</td>
          <td class="text-aside">
            {#if usual < wanted}<Glyph severity="caution" />
              {turns(wanted - usual)} of {turns(wanted)} are left out: one takes longer than its interval
            {:else if least < wanted}<Glyph severity="note" /> at worst {turns(least)} of {turns(wanted)}
            {:else}always{/if}
          </td>
        </tr>
      {/each}
    </tbody>
    <tfoot
      ><tr
        ><th class="text-left font-semibold" scope="row">together, at the parts</th><td></td><td
          class="value text-right font-semibold">{mAh(all)}</td
        ><td></td></tr
      ></tfoot
    >
  </table>
{/if}
