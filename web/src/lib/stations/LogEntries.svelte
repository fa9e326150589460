<!-- Entries of the logbook, newest first. -->
<script lang="ts">
  import type { LogEntry } from '@idle-breadboard/core/deliver';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { saysEntry, saysReading } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import Glyph from '../kit/Glyph.svelte';
  import { logbook } from '../state/logbook.svelte';

  const MOST = 40;
  const recent = $derived(logbook.entries.toReversed().slice(0, MOST));
  /** Asked once more: what is removed is gone. */
  let asked = $state('');
  async function show(entry: LogEntry) {
    const image = await logbook.photo(entry.id);
    if (image) window.open(URL.createObjectURL(image), '_blank', 'noopener');
  }
</script>

<ol aria-label="entries, newest first">
  {#each recent as entry (entry.id)}
    <li>
      <span class="value unit">{entry.build} · {entry.at.slice(5, 16).replace('T', ' ')}</span>
      <span
        >{#if entry.inside === false}<Glyph severity="fault" />{/if}
        {saysEntry(entry)}{entry.by === 'bench' ? ', simulated' : ''}
        {#if entry.text}<em>{entry.text}</em>{/if}
        {#if entry.reference !== undefined}, true value {formatQuantity(entry.reference, entry.unit ?? '', 4)}{/if}
        {#if entry.kind === 'photo'}<button type="button" class="act" onclick={() => show(entry)}>Show</button
          >{/if}</span
      >
      <span class="value">{saysReading(entry.value, entry.unit)}</span>
      {#if asked === entry.id}
        <button type="button" class="act" onclick={() => logbook.remove(entry.id)} onblur={() => (asked = '')}
          >Gone for good?</button
        >
      {:else}
        <button
          type="button"
          class="act bare"
          aria-label="remove the entry {entry.title} of {entry.at.slice(0, 16).replace('T', ' ')}"
          onclick={() => (asked = entry.id)}><X size={13} /></button
        >
      {/if}
    </li>
  {/each}
</ol>
{#if logbook.entries.length > recent.length}<p class="unit">
    {logbook.entries.length - recent.length} older ones are in the files.
  </p>{/if}

<style>
  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }
  li {
    display: grid;
    grid-template-columns: 10.6em minmax(0, 1fr) auto auto;
    gap: 8px;
    border-top: 1px dotted var(--line);
    padding: 1px 0;
  }
  li > button {
    align-self: start;
  }
  p {
    margin: 2px 0;
  }
</style>
