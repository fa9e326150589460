<!-- Builds of one plan side by side, where more than one was measured. -->
<script lang="ts">
  import { rebuilds, type LogEntry } from '@idle-breadboard/core/deliver';
  import { saysReading } from '@idle-breadboard/core/words';

  let { entries }: { entries: readonly LogEntry[] } = $props();
  const rows = $derived(rebuilds(entries));
  const count = $derived(Math.max(1, ...entries.map(({ build }) => build)));
</script>

{#if rows.length > 0}
  <details>
    <summary>{count} builds side by side: {rows.length} {rows.length === 1 ? 'value' : 'values'}</summary>
    <table>
      <thead
        ><tr
          ><th>what</th>{#each { length: count }, i}<th>build {i + 1}</th>{/each}</tr
        ></thead
      >
      <tbody>
        {#each rows as { row, title, values } (row)}
          <tr
            ><td>{title}</td>{#each values as entry, i (i)}<td class="value" class:bad={entry?.inside === false}
                >{saysReading(entry?.value, entry?.unit)}</td
              >{/each}</tr
          >
        {/each}
      </tbody>
    </table>
  </details>
{/if}

<style>
  summary {
    min-height: var(--row);
    padding-block: 4px;
    cursor: pointer;
  }
  td,
  th {
    text-align: left;
    font-weight: 400;
    padding: 1px 12px 1px 0;
  }
  .bad {
    color: var(--danger);
    text-decoration: underline;
  }
</style>
