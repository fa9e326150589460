<!-- A choice among many: type to find, arrows to walk, with a drawing and the figures that matter beside each name. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import { Combobox } from 'bits-ui';
  import type { ChoiceField } from './choice';
  import ChoiceList from './ChoiceList.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { list, searched } from './field';

  interface Props extends ChoiceField {
    /** What is typed and is no choice is one of its own. */
    free?: boolean;
    change: (value: string) => void;
  }
  let {
    label,
    choices,
    value,
    placeholder = '',
    free = false,
    disabled = false,
    invalid = false,
    class: more = '',
    change,
    ahead = false,
    onkeydown,
    ...data
  }: Props = $props();
  let open = $state(false);
  let typed = $state<string | null>(null);
  const walked = (to: string) => ahead && to !== value && workbench.rehearse(() => change(to));
  const chosen = $derived(choices.find((choice) => choice.value === value));
  const words = $derived((typed ?? '').toLowerCase().split(/\s+/));
  const found = $derived(
    typed === null || typed === ''
      ? choices
      : choices.filter(({ label: name, hint = '' }) =>
          words.every((word) => `${name} ${hint}`.toLowerCase().includes(word)),
        ),
  );
  const own = $derived(
    free && typed !== null && typed.trim() !== '' && !choices.some(({ label: name }) => name === typed?.trim())
      ? typed.trim()
      : null,
  );

  function take(next: string) {
    const known = next === own || choices.some((choice) => choice.value === next);
    typed = null;
    if (known && next !== value) change(next);
  }

  function onKey(event: KeyboardEvent) {
    if (event.key === 'Enter' && own !== null && found.length === 0) {
      take(own);
      open = false;
      event.preventDefault();
    } else onkeydown?.(event);
  }
</script>

<Combobox.Root
  type="single"
  bind:value={() => value, take}
  {disabled}
  allowDeselect={false}
  bind:open
  inputValue={typed ?? chosen?.label ?? value}
  onOpenChange={(next) => {
    if (!next) typed = null;
  }}
>
  <span class={searched({ class: more })}>
    <Combobox.Input
      class="field w-full pr-5 truncate"
      aria-label={label}
      aria-invalid={invalid || undefined}
      data-value={value}
      {placeholder}
      autocomplete="off"
      spellcheck="false"
      oninput={(event) => {
        typed = event.currentTarget.value;
        open = true;
      }}
      onclick={(event) => {
        open = true;
        event.currentTarget.select();
      }}
      onkeydown={onKey}
      {...data}
    />
    <Combobox.Trigger class="absolute right-0.5 text-copper" aria-hidden="true" tabindex={-1}
      ><ChevronDown size={14} /></Combobox.Trigger
    >
  </span>
  <Combobox.Portal>
    <Combobox.Content class={list()} sideOffset={2}>
      <ChoiceList choices={found} {walked} />
      {#if own !== null}<Combobox.Item
          class="flex items-center min-h-row px-2 cursor-pointer data-highlighted:bg-copper-soft"
          value={own}
          label={own}>new: {own}</Combobox.Item
        >{:else if found.length === 0}<p class="px-2 py-1 text-quiet">Nothing is called so.</p>{/if}
    </Combobox.Content>
  </Combobox.Portal>
</Combobox.Root>
