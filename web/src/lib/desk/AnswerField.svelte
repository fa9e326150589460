<!-- One answer: chosen, ticked or typed, as its form wants it. Enter takes it and goes on. -->
<script lang="ts">
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
  function onEnter(event: KeyboardEvent & { currentTarget: HTMLInputElement | HTMLSelectElement }) {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    if (event.currentTarget.value !== settled) take(event.currentTarget.value);
    next?.();
  }
</script>

{#if options.length > 0}
  <select
    class="field"
    data-answer
    aria-label={label}
    aria-invalid={invalid}
    {value}
    onchange={(event) => take(event.currentTarget.value)}
    onkeydown={onEnter}
  >
    <option value="">–</option>
    {#each options.includes(value) || value === '' ? options : [value, ...options] as option (option)}
      <option value={option}>{option}</option>
    {/each}
  </select>
{:else if form.is === 'several'}
  <span class="several" role="group" aria-label={label} data-answer tabindex="-1">
    {#each form.of as one (one)}
      <button type="button" class="act bare" aria-pressed={picked.has(one)} onclick={() => toggle(one)}>{one}</button>
    {/each}
  </span>
{:else if form.is === 'fields'}
  <textarea
    class="field value"
    data-answer
    rows="2"
    aria-label={label}
    aria-invalid={invalid}
    {value}
    onchange={(event) => take(event.currentTarget.value)}></textarea>
{:else}
  <input
    class="field value"
    class:wide={!inTable}
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

<style>
  input {
    field-sizing: content;
    min-width: 4.5em;
  }
  input.wide {
    min-width: min(16em, 100%);
  }
  .several {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 2px;
  }
  .several button[aria-pressed='true'] {
    background: var(--copper-soft);
    border-color: var(--copper);
  }
  textarea {
    width: 20em;
  }
</style>
