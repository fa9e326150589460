<!-- One step of the wiring plan on paper. -->
<script lang="ts">
  import type { WiringStep } from '@idle-breadboard/core/deliver';
  import { leadSays } from '@idle-breadboard/core/files';
  import { say } from '@idle-breadboard/core/words';

  let { step, number, done, picture }: { step: WiringStep; number: number; done: boolean; picture: string } = $props();
</script>

<section class:pictured={picture !== ''}>
  <div>
    <h3><span class="box">{done ? '×' : ''}</span>{number}. {say(step.title)}</h3>
    {#each step.cautions as caution (caution.says)}<p><strong>{caution.hazard}</strong>: {caution.says}</p>{/each}
    {#each step.put as put (put.part)}
      <p>Put down {say(put.label)}{put.says ? `: ${say(put.says)}` : ', beside the boards'}.</p>
    {/each}
    {#if step.leads.length > 0}
      <table>
        <thead><tr><th></th><th>Lead</th><th>From</th><th>To</th></tr></thead>
        <tbody>
          {#each step.leads as lead (lead.key)}
            <tr
              ><td><span class="small box"></span></td><td>{leadSays(lead)}</td><td>{say(lead.fromSays)}</td><td
                >{say(lead.toSays)}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    {/if}
    {#each step.checks as check, i (i)}<p><span class="small box"></span>{say(check.says)}</p>{/each}
  </div>
  <!-- eslint-disable-next-line svelte/no-at-html-tags -- made by the core, every text in it escaped -->
  {#if picture}<div class="picture">{@html picture}</div>{/if}
</section>

<style>
  .pictured {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 82mm;
    gap: 4mm;
    align-items: start;
  }
  section {
    break-inside: avoid;
    border-bottom: 1px solid #000;
    padding-bottom: 6pt;
  }
  h3 {
    font-size: 10.5pt;
    font-weight: 650;
    margin: 6pt 0 2pt;
    break-after: avoid;
  }
  p {
    margin: 1pt 0;
  }
  .box {
    display: inline-block;
    width: 9pt;
    height: 9pt;
    line-height: 9pt;
    border: 1px solid #000;
    margin-right: 6pt;
    text-align: center;
    vertical-align: -1pt;
  }
  .small {
    width: 6.5pt;
    height: 6.5pt;
  }
  .picture {
    margin-top: 4pt;
  }
  .picture :global(svg) {
    width: 100%;
    height: auto;
    max-height: 64mm;
  }
</style>
