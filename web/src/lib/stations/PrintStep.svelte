<!-- One step of the wiring plan on paper. -->
<script lang="ts">
  import type { WiringStep } from '@idle-breadboard/core/deliver';
  import { leadSays } from '@idle-breadboard/core/files';
  import { say, saysPut } from '@idle-breadboard/core/words';

  let { step, number, done, picture }: { step: WiringStep; number: number; done: boolean; picture: string } = $props();
</script>

<section
  class="break-inside-avoid border-b border-b-[#000] pb-[6pt] data-pictured:grid data-pictured:grid-cols-[minmax(0,1fr)_82mm] data-pictured:gap-[4mm] data-pictured:items-start"
  data-pictured={picture !== '' || undefined}
>
  <div>
    <h3 class="text-[10.5pt] font-semibold mt-[6pt] mb-[2pt] [break-after:avoid]">
      <span class="inline-block w-[9pt] h-[9pt] leading-[9pt] border border-[#000] mr-[6pt] text-center align-[-1pt]"
        >{done ? '×' : ''}</span
      >{number}. {say(step.title)}
    </h3>
    {#each step.cautions as caution (caution.says)}<p class="my-[1pt]">
        <strong>{caution.hazard}</strong>: {caution.says}
      </p>{/each}
    {#each step.put as put (put.part)}
      <p class="my-[1pt]">{saysPut(put)}</p>
    {/each}
    {#if step.leads.length > 0}
      <table>
        <thead><tr><th></th><th></th><th>Lead</th><th>From</th><th>To</th></tr></thead>
        <tbody>
          {#each step.leads as lead (lead.key)}
            <tr
              ><td
                ><span
                  class="inline-block leading-[9pt] border border-[#000] mr-[6pt] text-center align-[-1pt] w-[6.5pt] h-[6.5pt]"
                ></span></td
              ><td>{lead.number}</td><td>{leadSays(lead)}</td><td>{say(lead.fromSays)}</td><td>{say(lead.toSays)}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    {/if}
    {#each step.checks as check, i (i)}<p class="my-[1pt]">
        <span
          class="inline-block leading-[9pt] border border-[#000] mr-[6pt] text-center align-[-1pt] w-[6.5pt] h-[6.5pt]"
        ></span>{say(check.says)}
      </p>{/each}
  </div>
  <!-- eslint-disable-next-line svelte/no-at-html-tags -- made by the core, every text in it escaped -->
  {#if picture}<div class="picture mt-[4pt]">{@html picture}</div>{/if}
</section>

<style>
  .picture :global(svg) {
    width: 100%;
    height: auto;
    max-height: 64mm;
  }
</style>
