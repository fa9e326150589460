<!-- The parts list on paper. -->
<script lang="ts">
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { counted, say } from '@idle-breadboard/core/words';
  import type { PartsList } from '@idle-breadboard/core/deliver';
  import { money } from '../kit/words';

  let { parts }: { parts: PartsList } = $props();
</script>

<h2>Parts list</h2>
<table>
  <thead
    ><tr
      ><th></th><th class="r">Need</th><th>Part</th><th>For</th><th class="r">Drawer</th><th class="r">Packs</th><th
        >Supplier</th
      ><th class="r">{parts.currency}</th></tr
    ></thead
  >
  <tbody>
    {#each parts.lines as line (line.card)}
      <tr
        ><td><span class="inline-block w-[6.5pt] h-[6.5pt] border border-[#000]"></span></td><td class="r"
          >{line.needed}</td
        ><td>{line.name}</td><td>{say(line.uses)}</td><td class="r">{line.inDrawer}</td><td class="r">{line.packs}</td
        ><td>{line.unsold ? 'nobody' : line.packs > 0 ? line.offer?.supplier : ''}</td><td class="r"
          >{line.packs > 0 ? money(line.total, '') : ''}</td
        ></tr
      >
    {/each}
  </tbody>
  <tfoot class="table-row-group"
    ><tr
      ><td colspan="7">With shipping; the last parcel is here in {counted(parts.arrival, 'day')}</td><td class="r"
        >{money(parts.total, '')}</td
      ></tr
    ></tfoot
  >
</table>
<p>
  Leads: {parts.leads.map(({ count, colour, ends, length }) => `${count} ${colour} ${ends} ${length} m`).join('; ')}.
  {#if parts.resistors.length > 0}Resistors: {parts.resistors
      .map(({ count, ohms }) => `${count} × ${formatQuantity(ohms, 'Ω')}`)
      .join(', ')}.{/if}
</p>
