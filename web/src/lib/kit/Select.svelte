<!-- A choice among a few, in a list that opens; where they are many, one types to find. What holds is said by whoever keeps it. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import { Select } from 'bits-ui';
  import type { ChoiceField } from './choice';
  import ChoiceList from './ChoiceList.svelte';
  import Combobox from './Combobox.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { field, list } from './field';

  interface Props extends ChoiceField {
    /** Where the value is not bound: asks whoever keeps it. */
    change?: (value: string) => void;
  }
  let {
    label,
    choices,
    value = $bindable(),
    placeholder = '',
    disabled = false,
    invalid = false,
    class: more = '',
    change,
    ahead = false,
    onkeydown,
    ...data
  }: Props = $props();
  /** More than these are not looked through one by one. */
  const MANY = 14;
  function take(next: string) {
    if (next === value) return;
    if (change) change(next);
    else value = next;
  }
  const walked = (to: string) => ahead && to !== value && workbench.rehearse(() => change?.(to));
  const chosen = $derived(choices.find((choice) => choice.value === value));
</script>

{#if choices.length > MANY}
  <Combobox
    {label}
    {choices}
    {value}
    {placeholder}
    {disabled}
    {invalid}
    class={more}
    {ahead}
    change={take}
    {onkeydown}
    {...data}
  />
{:else}
  <Select.Root type="single" bind:value={() => value, take} {disabled}>
    <Select.Trigger
      class={field({ class: more })}
      aria-label={label}
      aria-invalid={invalid || undefined}
      data-value={value}
      {onkeydown}
      {...data}
    >
      <span class="grow min-w-0 truncate">{chosen?.label ?? placeholder}</span>
      <ChevronDown size={14} class="flex-none text-copper" />
    </Select.Trigger>
    <Select.Portal>
      <Select.Content class={list()} sideOffset={2}><ChoiceList {choices} {walked} /></Select.Content>
    </Select.Portal>
  </Select.Root>
{/if}
