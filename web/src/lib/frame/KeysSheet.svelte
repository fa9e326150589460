<!-- Keys, every mark, and the words that are used here in a sense of their own. -->
<script lang="ts">
  import { Tabs } from 'bits-ui';
  import Glyph from '../kit/Glyph.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import { STATIONS } from '../state/view-ids';
  import { view } from '../state/view.svelte';
  import { GLOSSARY, KEYS, MARKS } from './legend';

  const tab =
    'px-2 py-1 text-copper border-b-2 border-transparent data-[state=active]:border-copper data-[state=active]:font-semibold';
</script>

<Sheet open={view.sheet === 'keys'} title="Keys, marks and words" wide close={() => (view.sheet = null)}>
  <Tabs.Root value="keys" class="min-h-0 overflow-y-auto px-3 pb-3">
    <Tabs.List class="flex gap-2 sticky top-0 bg-board pt-1" aria-label="what is explained">
      <Tabs.Trigger value="keys" class={tab}>keys</Tabs.Trigger>
      <Tabs.Trigger value="marks" class={tab}>marks</Tabs.Trigger>
      <Tabs.Trigger value="words" class={tab}>words</Tabs.Trigger>
    </Tabs.List>
    <Tabs.Content value="keys" class="grid grid-cols-[minmax(0,2fr)_minmax(0,5fr)] gap-6 pt-2 max-desk:grid-cols-1">
      <dl class="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 content-start">
        {#each STATIONS as { id, key, name } (id)}<dt><kbd class="value">{key}</kbd></dt>
          <dd>{name}</dd>{/each}
      </dl>
      <dl class="grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1 content-start">
        {#each KEYS as [key, what] (key)}<dt class="whitespace-nowrap"><kbd class="value">{key}</kbd></dt>
          <dd>{what}</dd>{/each}
      </dl>
    </Tabs.Content>
    <Tabs.Content value="marks" class="pt-2">
      <dl class="grid grid-cols-[4em_minmax(0,1fr)] gap-x-4 gap-y-1.5 items-center">
        {#each ['danger', 'fault', 'caution', 'note', null] as const as severity (severity)}
          <dt><Glyph {severity} label={false} /></dt>
          <dd><strong>{severity ?? 'pass'}</strong>: {MARKS[severity ?? 'pass']}</dd>
        {/each}
        {#each Object.entries(MARKS.drawn) as [name, { path, says }] (name)}
          <dt>
            <svg viewBox="0 0 48 24" class="w-12 h-6 fill-none stroke-ink stroke-[1.6]" aria-hidden="true"
              ><path d={path} /></svg
            >
          </dt>
          <dd><strong>{name}</strong>: {says}</dd>
        {/each}
      </dl>
    </Tabs.Content>
    <Tabs.Content value="words" class="pt-2">
      <dl class="grid grid-cols-[minmax(8em,auto)_minmax(0,1fr)] gap-x-4 gap-y-1">
        {#each GLOSSARY as [word, says] (word)}<dt class="font-semibold">{word}</dt>
          <dd>{says}</dd>{/each}
      </dl>
    </Tabs.Content>
  </Tabs.Root>
</Sheet>
