<!-- A choice among many: type to find, arrows to walk, with a drawing and the figures that matter beside each name. -->
<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import ChevronsUpDown from '@lucide/svelte/icons/chevrons-up-down';
  import { Combobox } from 'bits-ui';
  import type { Choice } from './choice';

  interface Props {
    label: string;
    choices: readonly Choice[];
    value: string;
    /** What is shown while nothing is chosen. */
    placeholder?: string;
    /** What is typed and is no choice is one of its own. */
    free?: boolean;
    disabled?: boolean;
    width?: string;
    change: (value: string) => void;
  }
  let {
    label,
    choices,
    value,
    placeholder = '',
    free = false,
    disabled = false,
    width = '14em',
    change,
  }: Props = $props();
  let open = $state(false);
  let typed = $state<string | null>(null);
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
    typed = null;
    if (next !== '' && next !== value) change(next);
  }
</script>

<Combobox.Root
  type="single"
  {value}
  {disabled}
  bind:open
  inputValue={typed ?? chosen?.label ?? value}
  onValueChange={take}
  onOpenChange={(next) => {
    if (!next) typed = null;
  }}
>
  <span class="relative inline-flex items-center" style:width>
    <Combobox.Input
      class="field w-full pr-6"
      aria-label={label}
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
      onkeydown={(event) => {
        if (event.key === 'Enter' && own !== null && found.length === 0) {
          take(own);
          open = false;
          event.preventDefault();
        }
      }}
    />
    <Combobox.Trigger class="absolute right-0 text-copper" aria-label="choose {label}" tabindex={-1}
      ><ChevronsUpDown size={14} /></Combobox.Trigger
    >
  </span>
  <Combobox.Portal>
    <Combobox.Content
      class="z-50 bg-raised border border-quiet rounded-sm max-h-80 overflow-y-auto min-w-[var(--bits-combobox-anchor-width)] max-w-[min(30em,92vw)]"
      sideOffset={2}
    >
      {#each found as choice (choice.value)}
        <Combobox.Item
          class="flex items-center gap-2 min-h-row px-2 cursor-pointer data-highlighted:bg-copper-soft data-highlighted:shadow-mark"
          value={choice.value}
          label={choice.label}
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
        </Combobox.Item>
      {/each}
      {#if own !== null}<Combobox.Item
          class="flex items-center min-h-row px-2 cursor-pointer data-highlighted:bg-copper-soft"
          value={own}
          label={own}>new: {own}</Combobox.Item
        >{:else if found.length === 0}<p class="px-2 py-1 text-quiet">Nothing is called so.</p>{/if}
    </Combobox.Content>
  </Combobox.Portal>
</Combobox.Root>
