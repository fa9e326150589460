<!-- Leads by ends and colour, resistors by value, headers to solder. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import type { PartsList } from '@idle-breadboard/core/deliver';
  import Glyph from '../kit/Glyph.svelte';

  let { parts }: { parts: PartsList } = $props();
  const kinds = $derived([...new Set(parts.leads.map(({ ends, length }) => `${ends}, ${length} m`))]);
</script>

<table>
  <thead class="sr-only"><tr><th>What</th><th>How many</th></tr></thead>
  <tbody>
    {#each kinds as kind (kind)}
      {@const own = parts.leads.filter(({ ends, length }) => `${ends}, ${length} m` === kind)}
      <tr>
        <td><span class="value">{own.reduce((sum, { count }) => sum + count, 0)}</span> {kind}</td>
        <td
          >{#each own as lead (lead.colour)}<span class="one"
              ><span class="value">{lead.count}</span> {lead.colour || 'uncoloured'}</span
            >{/each}</td
        >
      </tr>
    {/each}
    {#if parts.resistors.length > 0}
      <tr>
        <td><span class="value">{parts.resistors.reduce((sum, { count }) => sum + count, 0)}</span> resistors</td>
        <td
          >{#each parts.resistors as resistor (resistor.ohms)}<span class="one"
              >{#if !resistor.inBox}<Glyph severity="fault" />{/if}<span class="value">{resistor.count}</span> × {formatQuantity(
                resistor.ohms,
                'Ω',
              )}{resistor.inBox ? '' : ', not in the box'}</span
            >{/each}</td
        >
      </tr>
    {/if}
    {#each parts.headers as header (header.part)}
      <tr><td><span class="value">{header.pins}</span> pins to solder</td><td>{header.part}</td></tr>
    {/each}
  </tbody>
</table>

<style>
  table {
    border-collapse: collapse;
    width: 100%;
  }
  td {
    padding: 2px 10px 2px 0;
    vertical-align: top;
  }
  td:first-child {
    white-space: nowrap;
  }
  .one {
    display: inline-block;
    margin-right: 14px;
  }
</style>
