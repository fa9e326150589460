<!-- The lines of an open list: drawing, name, what matters, and which of them holds. -->
<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import { Select } from 'bits-ui';
  import { groupsOf, type Choice } from './choice';

  interface Props {
    choices: readonly Choice[];
    /** Told of a choice that is walked to. */
    walked: (value: string) => void;
  }
  let { choices, walked }: Props = $props();
  const groups = $derived(groupsOf(choices));
</script>

{#snippet line(choice: Choice)}
  <Select.Item
    class="flex items-center gap-2 min-h-row px-2 cursor-pointer data-highlighted:bg-copper-soft data-highlighted:shadow-mark data-disabled:text-quiet data-disabled:cursor-default"
    value={choice.value}
    label={choice.label}
    disabled={choice.disabled ?? false}
    onHighlight={() => walked(choice.value)}
  >
    {#snippet children({ selected })}
      {#if choice.drawing}<svg
          viewBox="0 0 48 32"
          class="w-9 h-6 flex-none fill-none stroke-current stroke-[1.4]"
          aria-hidden="true"><path d={choice.drawing} /></svg
        >{/if}
      <span class="grow min-w-0">{choice.label}</span>
      {#if choice.hint}<span class="text-quiet text-aside whitespace-nowrap">{choice.hint}</span>{/if}
      {#if selected}<Check size={14} class="text-copper" />{/if}
    {/snippet}
  </Select.Item>
{/snippet}

{#each groups as { group, choices: members }, i (i)}
  {#if group}
    <Select.Group
      ><Select.GroupHeading class="px-2 pt-1.5 text-aside text-quiet">{group}</Select.GroupHeading>
      {#each members as choice (choice.value)}{@render line(choice)}{/each}</Select.Group
    >
  {:else}
    {#each members as choice (choice.value)}{@render line(choice)}{/each}
  {/if}
{/each}
