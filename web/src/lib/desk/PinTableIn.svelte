<!-- A table of pins, pasted or taken from a sheet: what was understood of it, what is not sure, what was not understood. -->
<script lang="ts">
  import { readPinTable } from '@idle-breadboard/core/workshop';
  import { desk } from '../state/desk.svelte';
  import { tableOf } from '../state/table-of-pins';

  let trouble = $state('');
  const text = $derived(desk.typing['table'] ?? desk.draft?.table ?? '');
  const table = $derived(readPinTable(desk.draft?.table ?? ''));
  const printed = $derived(
    new Set(
      desk.draft?.answers.has('controller/pins')
        ? (desk.draft.answers.get('controller/pins')?.said as readonly (readonly string[])[]).map(([pin]) => pin)
        : [],
    ),
  );
  const unsure = $derived(
    table.pins.flatMap(({ name, functions }) =>
      functions.filter(({ sure }) => !sure).map(({ id }) => `${name}: ${id}?`),
    ),
  );
  const functions = $derived(table.pins.reduce((sum, pin) => sum + pin.functions.length, 0));
  const alone = $derived(table.pins.length - printed.size);

  async function fromFile(file: File | undefined) {
    if (!file) return;
    const read = await tableOf(file);
    trouble = read.ok ? '' : `${file.name}: ${read.message}`;
    if (read.ok) desk.setTable(read.text);
  }
</script>

<div class="grid gap-1 py-1.5 px-3 border-b">
  <p class="m-0">
    <strong>Its table of pins</strong>
    <span class="unit"
      >pasted from a sheet or a page, or read from a PDF: “GPIO4 | ADC2_CH0, TOUCH0, PWM | must be low at boot”</span
    >
  </p>
  <textarea
    class="field value w-full whitespace-pre border border-line bg-board"
    rows="5"
    aria-label="table of pins"
    spellcheck="false"
    value={text}
    oninput={(event) => desk.type('table', event.currentTarget.value)}
    onchange={(event) => desk.setTable(event.currentTarget.value)}></textarea>
  <label class="unit"
    >or a PDF <input
      type="file"
      accept=".pdf,application/pdf"
      aria-label="sheet with a table of pins"
      onchange={async (event) => {
        const input = event.currentTarget;
        await fromFile(input.files?.[0]);
        input.value = '';
      }}
    /></label
  >
  {#if trouble}<p role="alert" class="m-0 text-danger">{trouble}</p>{/if}
  {#if table.pins.length > 0}
    <p class="m-0" role="status">
      <span class="value">{table.pins.length}</span> pins with <span class="value">{functions}</span> functions read{#if alone > 0},
        {alone}
        of them not among the names printed along the headers{/if}.
      {#if unsure.length > 0}Not sure, look at them below: <span class="value">{unsure.slice(0, 8).join(', ')}</span
        >{unsure.length > 8 ? ` and ${unsure.length - 8} more` : ''}.{/if}
      {#if table.unread.length > 0}Not understood: {table.unread
          .slice(0, 6)
          .map(({ of, words }) => (of ? `${of} “${words}”` : `“${words}”`))
          .join(', ')}.{/if}
    </p>
  {/if}
</div>
