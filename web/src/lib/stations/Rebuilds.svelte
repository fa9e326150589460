<!-- Builds of one plan side by side, where more than one was measured. -->
<script lang="ts">
  import { rebuilds, type LogEntry } from '@idle-breadboard/core/deliver';
  import { counted, saysReading } from '@idle-breadboard/core/words';

  let { entries }: { entries: readonly LogEntry[] } = $props();
  const rows = $derived(rebuilds(entries));
  const count = $derived(Math.max(1, ...entries.map(({ build }) => build)));
</script>

{#if rows.length > 0}
  <details>
    <summary class="min-h-row py-1 cursor-pointer">{count} builds side by side: {counted(rows.length, 'value')}</summary
    >
    <table>
      <thead
        ><tr
          ><th class="text-left font-normal py-px pr-3">what</th>{#each { length: count }, i}<th
              class="text-left font-normal py-px pr-3">build {i + 1}</th
            >{/each}</tr
        ></thead
      >
      <tbody>
        {#each rows as { row, title, values } (row)}
          <tr
            ><td class="font-normal py-px pr-3">{title}</td>{#each values as entry, i (i)}<td
                class="value text-left font-normal py-px pr-3 pl-0 data-bad:text-danger data-bad:underline"
                data-bad={entry?.inside === false || undefined}>{saysReading(entry?.value, entry?.unit)}</td
              >{/each}</tr
          >
        {/each}
      </tbody>
    </table>
  </details>
{/if}
