<!-- A configuration word put together from its fields, or typed and taken apart. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import type { RegisterWord } from '@idle-breadboard/core/card';
  import {
    bytesOf,
    fieldOf,
    formatBits,
    formatWord,
    maximumOf,
    parseWord,
    withField,
  } from '@idle-breadboard/core/figures';

  interface Props {
    word: RegisterWord;
    label: string;
    value: number;
    /** Changes the word as the plan has it now, which may be ahead of what is shown. */
    change: (next: (word: number) => number) => void;
  }
  let { word, label, value, change }: Props = $props();
  let trouble = $state('');

  function take(text: string) {
    const read = parseWord(text, word.bits);
    trouble = read === null ? `expected ${word.bits} bits, as ${formatWord(value, word.bits)} or 0b…` : '';
    if (read !== null && read !== value) change(() => read);
  }

  const bytes = $derived(
    bytesOf(value, word.bits)
      .map((b) => formatWord(b, 8))
      .join(' '),
  );
</script>

<fieldset class="border rounded-sm my-1 pt-0.5 pb-2 px-2.5 w-full min-w-0">
  <legend class="px-1 font-semibold"
    >{word.name}, register {formatWord(word.register, word.register > 0xff ? 16 : 8)} of {label}</legend
  >
  <input
    class="field value"
    style:width="7em"
    aria-label="{word.name} of {label} as a number"
    aria-invalid={trouble !== ''}
    value={formatWord(value, word.bits)}
    spellcheck="false"
    autocomplete="off"
    onchange={(event) => take(event.currentTarget.value)}
  />
  <span class="value my-0 mx-2.5">{formatBits(value, word.bits)}</span>
  <span class="unit">sent as <span class="value">{bytes}</span></span>
  {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
  <div class="flex flex-wrap gap-x-4.5 gap-y-1 mt-1">
    {#each word.fields as field (field.name)}
      {@const shown = fieldOf(value, field)}
      <label class="flex flex-col"
        ><span class="unit"
          >{field.name}, {field.high === field.low ? `bit ${field.high}` : `bits ${field.high} to ${field.low}`}</span
        >
        {#if field.choices}
          <Select
            label="{field.name}, {field.high === field.low
              ? `bit ${field.high}`
              : `bits ${field.high} to ${field.low}`}"
            value={String(shown)}
            choices={[
              ...(field.choices.some((c) => c.value === shown)
                ? []
                : [{ value: String(shown), label: `${shown}, not described` }]),
              ...field.choices.map((c) => ({ value: String(c.value), label: `${c.value} · ${c.says}` })),
            ]}
            change={(to) => change((now) => withField(now, field, Number(to)))}
          />
        {:else}
          <input
            class="field value"
            type="number"
            min="0"
            max={maximumOf(field)}
            value={shown}
            onchange={(event) => {
              const next = event.currentTarget.valueAsNumber;
              if (Number.isInteger(next) && next >= 0 && next <= maximumOf(field))
                change((now) => withField(now, field, next));
            }}
          />
        {/if}
      </label>
    {/each}
  </div>
</fieldset>
