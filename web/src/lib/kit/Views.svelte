<!-- Views of one station, one of them in sight: arrow keys go from one to the next. -->
<script lang="ts" generics="V extends string">
  import { Tabs } from 'bits-ui';
  import type { Snippet } from 'svelte';

  interface Props {
    label: string;
    views: readonly (readonly [value: V, says: string])[];
    value: V;
    /** What else stands in the line of the views. */
    beside?: Snippet<[V]>;
    children: Snippet<[V]>;
  }
  let { label, views, value = $bindable(), beside, children }: Props = $props();
</script>

<Tabs.Root
  class="relative z-3 bg-board"
  bind:value={() => value, (next) => (value = views.find(([view]) => view === next)?.[0] ?? value)}
>
  <div class="flex flex-wrap items-end gap-x-4 gap-y-0.5 px-2.5 border-b bg-bench">
    <Tabs.List class="flex gap-1" aria-label={label}>
      {#each views as [view, says] (view)}
        <Tabs.Trigger
          class="min-h-row px-2 -mb-px border-b-2 border-transparent text-copper data-[state=active]:border-copper data-[state=active]:text-ink data-[state=active]:font-semibold hover:bg-copper-soft"
          value={view}>{says}</Tabs.Trigger
        >
      {/each}
    </Tabs.List>
    {#if beside}<div class="flex flex-wrap items-center gap-x-3 gap-y-0.5 min-h-row">{@render beside(value)}</div>{/if}
  </div>
  {#each views as [view] (view)}
    <Tabs.Content value={view} tabindex={-1}
      >{#if view === value}{@render children(view)}{/if}</Tabs.Content
    >
  {/each}
</Tabs.Root>
