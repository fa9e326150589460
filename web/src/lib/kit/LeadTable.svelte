<!-- Leads of one step, hole by hole. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import type { WiringLead } from '@idle-breadboard/core/deliver';
  import LeadSwatch from './LeadSwatch.svelte';

  let { leads }: { leads: readonly WiringLead[] } = $props();
  const what = ({ kind, value, colour, ends, kit }: WiringLead) => {
    const pieces = kit.reduce((sum, k) => sum + k.pieces, 0);
    if (kind === 'own') return `its own ${colour} wire`;
    if (kind === 'lead') return `${colour}, ${ends.join('–')}${pieces > 1 ? `, ${pieces} in a row` : ''}`;
    return kind === 'resistor' || kind === 'capacitor' ? `${kind} ${say(value)}` : value;
  };
</script>

<table class="w-full table-fixed">
  <colgroup><col class="w-[2.6em]" /><col class="w-[34%]" /><col /><col /></colgroup>
  <thead class="sr-only"><tr><th>Number</th><th>Lead</th><th>From</th><th>To</th></tr></thead>
  <tbody>
    {#each leads as lead (lead.key)}
      <tr
        ><td class="value py-0.5 pr-2 align-top text-right">{lead.number}</td><td
          class="py-0.5 pr-2 align-top wrap-anywhere text-quiet"><LeadSwatch {lead} />{say(what(lead))}</td
        ><td class="py-0.5 pr-2 align-top wrap-anywhere">{say(lead.fromSays)}</td><td
          class="py-0.5 pr-2 align-top wrap-anywhere">{say(lead.toSays)}</td
        ></tr
      >
    {/each}
  </tbody>
</table>

<style>
  tr + tr td {
    border-top: 1px dotted var(--line);
  }
</style>
