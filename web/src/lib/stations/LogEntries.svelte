<!-- Entries of the logbook, newest first. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { LogEntry } from '@idle-breadboard/core/deliver';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { saysEntry, saysReading } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import Glyph from '../kit/Glyph.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import { logbook } from '../state/logbook.svelte';
  import { telling } from '../state/telling.svelte';

  const MOST = 40;
  const recent = $derived(logbook.entries.toReversed().slice(0, MOST));
  /** Asked once more: what is removed is gone. */
  let asked = $state('');
  /** The photo that is looked at. */
  let shown = $state.raw<{ title: string; url: string } | null>(null);
  async function show(entry: LogEntry) {
    const image = await logbook.photo(entry.id);
    if (image) shown = { title: entry.title, url: URL.createObjectURL(image) };
    else telling.say('This photo is not in the store of this browser any more.');
  }
  $effect(() => {
    const url = shown?.url;
    return () => {
      if (url) URL.revokeObjectURL(url);
    };
  });
</script>

<ol aria-label="entries, newest first">
  {#each recent as entry (entry.id)}
    <li class="grid grid-cols-[10.6em_minmax(0,1fr)_auto_auto] gap-2 border-t border-dotted py-px">
      <span class="value unit">{entry.build} · {entry.at.slice(5, 16).replace('T', ' ')}</span>
      <span
        >{#if entry.inside === false}<Glyph severity="fault" />{/if}
        {saysEntry(entry)}{entry.by === 'bench' ? ', simulated' : ''}
        {#if entry.text}<em>{entry.text}</em>{/if}
        {#if entry.reference !== undefined}, true value {formatQuantity(entry.reference, entry.unit ?? '', 4)}{/if}
        {#if entry.kind === 'photo'}<Button onclick={() => show(entry)}>Show</Button>{/if}</span
      >
      <span class="value">{saysReading(entry.value, entry.unit)}</span>
      {#if asked === entry.id}
        <Button class="self-start" onclick={() => logbook.remove(entry.id)} onblur={() => (asked = '')}
          >Gone for good?</Button
        >
      {:else}
        <Button
          kind="bare"
          class="self-start"
          aria-label="remove the entry {entry.title} of {entry.at.slice(0, 16).replace('T', ' ')}"
          onclick={() => (asked = entry.id)}><X size={13} /></Button
        >
      {/if}
    </li>
  {/each}
</ol>
<Sheet open={shown !== null} title={shown?.title ?? ''} wide close={() => (shown = null)}>
  {#if shown}<img class="block max-w-full max-h-[80vh] mx-auto p-3" src={shown.url} alt={shown.title} />{/if}
</Sheet>
{#if logbook.entries.length > recent.length}<p class="unit my-0.5">
    {logbook.entries.length - recent.length} older ones are in the files.
  </p>{/if}
