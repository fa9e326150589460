<!-- The bring-up sheet on paper: what to measure in which order, what it should show, and room to write. -->
<script lang="ts">
  import { BENCH_RULE, SHEET_PHASES, type SheetPhase, type SheetRow } from '@idle-breadboard/core/deliver';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { saysExpected, saysReading, say } from '@idle-breadboard/core/words';
  import { bringing } from '../state/bringing.svelte';
  import { workbench } from '../state/workbench.svelte';

  const rowsOf = (phase: SheetPhase) => [
    ...bringing.standard.filter((row) => row.phase === phase),
    ...bringing.touched.filter((row) => row.phase === phase),
  ];
  const seen = $derived(new Map(bringing.evidence.map((entry) => [entry.row, entry])));
  function written(row: SheetRow): string {
    const entry = seen.get(row.key);
    return entry ? `${saysReading(entry.value, entry.unit)}${entry.inside ? '' : ' (outside)'}` : '';
  }
</script>

<article class="print-only">
  <h1>Bring-up: {workbench.plan?.name ?? ''}</h1>
  <p>
    Fingerprint <span class="value">{workbench.study?.fingerprint ?? ''}</span>{bringing.bench === 'off'
      ? ''
      : '; values from the simulated bench, not from a real build'}. Limits include the error of a usual meter.
  </p>
  <h2>Safety</h2>
  <ul>
    {#each bringing.sheet?.cautions ?? [] as { hazard, labels, says } (says)}<li>
        <strong>{hazard}</strong>, {say(labels)}: {says}
      </li>{/each}
    <li>{say(BENCH_RULE)}</li>
  </ul>
  {#if !bringing.sheet}<p>{bringing.trouble || 'The sheet is being written; print again in a moment.'}</p>{/if}
  {#each SHEET_PHASES as phase (phase)}
    {@const rows = rowsOf(phase)}
    {#if rows.length > 0}
      <h2>{say(wordOf('sheet-phase', phase))}</h2>
      <table class="table-fixed">
        <thead
          ><tr
            ><th class="py-[2pt] wrap-anywhere w-[30%] last:w-[17%] last:border-l last:border-l-[#999] last:pl-[4pt]"
              >What</th
            ><th class="py-[2pt] wrap-anywhere last:w-[17%] last:border-l last:border-l-[#999] last:pl-[4pt]">How</th
            ><th class="py-[2pt] wrap-anywhere w-[19%] last:w-[17%] last:border-l last:border-l-[#999] last:pl-[4pt]"
              >Expected</th
            ><th class="py-[2pt] wrap-anywhere last:w-[17%] last:border-l last:border-l-[#999] last:pl-[4pt]"
              >Measured</th
            ></tr
          ></thead
        >
        <tbody>
          {#each rows as row (row.key)}
            <tr>
              {#if row.lead}<td class="py-[2pt] wrap-anywhere" colspan="2">{say(row.title)}</td>{:else}<td
                  class="py-[2pt] wrap-anywhere">{say(row.title)}</td
                ><td class="py-[2pt] wrap-anywhere">{say(row.how)}</td>{/if}
              <td class="py-[2pt] wrap-anywhere">{saysExpected(row.expected)}</td>
              <td class="py-[2pt] wrap-anywhere w-[17%] border-l border-l-[#999] pl-[4pt]">{written(row)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  {/each}
</article>
