<!-- One answer: chosen, ticked or typed, as its form wants it. Enter takes it and goes on. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { wordsAsChoices } from '../kit/choice';
  import Button from '../kit/Button.svelte';
  import type { Form } from '@idle-breadboard/core/workshop';

  interface Props {
    form: Form;
    /** As it is shown; '' where nothing is said. */
    value: string;
    /** As it was taken, where what is shown is still being typed. */
    settled?: string;
    label: string;
    /** Names that may stand here; none where any word may. */
    choices?: readonly string[];
    invalid?: boolean;
    /** Set in a table, where what is typed is as wide as its column. */
    inTable?: boolean;
    take: (said: string) => void;
    typed?: (text: string) => void;
    /** On to the next; not where Enter has nothing to go on to. */
    next?: () => void;
  }
  let {
    form,
    value,
    settled = value,
    label,
    choices = [],
    invalid = false,
    inTable = false,
    take,
    typed,
    next,
  }: Props = $props();

  const options = $derived<readonly string[]>(
    form.is === 'choice'
      ? form.of
      : form.is === 'flag'
        ? ['yes', 'no']
        : form.is === 'mark'
          ? ['yes']
          : form.is === 'count'
            ? form.of.map(String)
            : form.is === 'id'
              ? choices
              : [],
  );
  const listId = $props.id();

  const picked = $derived(new Set(value.split(',').map((one) => one.trim())));
  function toggle(one: string) {
    const of = form.is === 'several' ? form.of : [];
    take(of.filter((name) => picked.has(name) !== (name === one)).join(', '));
  }
  /** What is said already is gone on from; the list itself opens with the arrow keys. */
  function goOn(event: KeyboardEvent) {
    if (event.key !== 'Enter' || value === '' || (event.currentTarget as Element | null)?.ariaExpanded === 'true')
      return;
    event.preventDefault();
    next?.();
  }
  function onEnter(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    if (event.currentTarget.value !== settled) take(event.currentTarget.value);
    next?.();
  }
</script>

{#if options.length > 0}
  <Select
    {label}
    {value}
    choices={[
      { value: '', label: '–' },
      ...wordsAsChoices(options.includes(value) || value === '' ? options : [value, ...options]),
    ]}
    change={take}
    {invalid}
    onkeydown={(event) => goOn(event)}
    data-answer=""
  />
{:else if form.is === 'several'}
  <span class="inline-flex flex-wrap gap-0.5" role="group" aria-label={label} data-answer tabindex="-1">
    {#each form.of as one (one)}
      <Button
        kind="bare"
        class="aria-pressed:bg-copper-soft aria-pressed:border-copper"
        aria-pressed={picked.has(one)}
        onclick={() => toggle(one)}>{one}</Button
      >
    {/each}
  </span>
{:else if form.is === 'fields'}
  <textarea
    class="field value w-[20em]"
    data-answer
    rows="2"
    aria-label={label}
    aria-invalid={invalid}
    {value}
    onchange={(event) => take(event.currentTarget.value)}></textarea>
{:else}
  <input
    class="field value field-sizing-content min-w-[4.5em] data-wide:min-w-[min(16em,100%)]"
    data-wide={!inTable || undefined}
    data-answer
    aria-label={label}
    aria-invalid={invalid}
    {value}
    list={choices.length > 0 ? listId : undefined}
    spellcheck="false"
    autocomplete="off"
    oninput={(event) => typed?.(event.currentTarget.value)}
    onchange={(event) => {
      if (event.currentTarget.value !== settled) take(event.currentTarget.value);
    }}
    onkeydown={onEnter}
  />
  {#if choices.length > 0}
    <datalist id={listId}
      >{#each choices as choice (choice)}<option value={choice}></option>{/each}</datalist
    >
  {/if}
{/if}
