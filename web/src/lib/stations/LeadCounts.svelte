<!-- Leads by ends and colour, resistors by value, headers to solder. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { PartsList } from '@idle-breadboard/core/deliver';
  import Glyph from '../kit/Glyph.svelte';

  let { parts }: { parts: PartsList } = $props();
  const kinds = $derived([...new Set(parts.leads.map(({ ends, length }) => `${ends}, ${length} m`))]);
</script>

<table class="w-full">
  <thead class="sr-only"><tr><th>What</th><th>How many</th></tr></thead>
  <tbody>
    {#each kinds as kind (kind)}
      {@const own = parts.leads.filter(({ ends, length }) => `${ends}, ${length} m` === kind)}
      <tr>
        <td class="py-0.5 pr-2.5 align-top first:whitespace-nowrap"
          ><span class="value">{own.reduce((sum, { count }) => sum + count, 0)}</span> {kind}</td
        >
        <td class="py-0.5 pr-2.5 align-top first:whitespace-nowrap"
          >{#each own as lead (lead.colour)}<span class="inline-block mr-3.5"
              ><span class="value">{lead.count}</span> {lead.colour || 'uncoloured'}</span
            >{/each}</td
        >
      </tr>
    {/each}
    {#if parts.resistors.length > 0}
      <tr>
        <td class="py-0.5 pr-2.5 align-top first:whitespace-nowrap"
          ><span class="value">{parts.resistors.reduce((sum, { count }) => sum + count, 0)}</span> resistors</td
        >
        <td class="py-0.5 pr-2.5 align-top first:whitespace-nowrap"
          >{#each parts.resistors as resistor (resistor.ohms)}<span class="inline-block mr-3.5"
              >{#if !resistor.inBox}<Glyph severity="fault" />{/if}<span class="value">{resistor.count}</span> × {formatQuantity(
                resistor.ohms,
                'Ω',
              )}{resistor.inBox ? '' : ', not in the box'}</span
            >{/each}</td
        >
      </tr>
    {/if}
    {#each parts.headers as header (header.part)}
      <tr
        ><td class="py-0.5 pr-2.5 align-top first:whitespace-nowrap"
          ><span class="value">{header.pins}</span> pins to solder</td
        ><td class="py-0.5 pr-2.5 align-top first:whitespace-nowrap">{header.part}</td></tr
      >
    {/each}
  </tbody>
</table>
