<!-- Leads of one step, terminal to terminal. -->
<script lang="ts">
  import type { Lead } from '@idle-breadboard/core';
  import LeadSwatch from './LeadSwatch.svelte';

  let { leads }: { leads: readonly Lead[] } = $props();
  const what = (lead: Lead) =>
    lead.kind === 'resistor'
      ? `resistor ${lead.value}`
      : lead.kind === 'diode' || lead.kind === 'switch'
        ? lead.value
        : lead.kind === 'own'
          ? `its own ${lead.colour} wire`
          : `${lead.colour}, ${lead.ends.join('–')}`;
</script>

<table>
  <thead class="sr-only"><tr><th>Lead</th><th>From</th><th>To</th></tr></thead>
  <tbody>
    {#each leads as lead (lead.key)}
      <tr><td class="what"><LeadSwatch {lead} />{what(lead)}</td><td>{lead.from.label}</td><td>{lead.to.label}</td></tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    width: 100%;
    border-collapse: collapse;
    table-layout: fixed;
  }
  td {
    padding: 2px 8px 2px 0;
    vertical-align: top;
    overflow-wrap: anywhere;
  }
  .what {
    width: 31%;
    color: var(--quiet);
  }
  tr + tr td {
    border-top: 1px dotted var(--line);
  }
</style>
