<!-- What is printed along the headers: from it follow the pins, and proposals for what they are. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { wordsAsChoices } from '../kit/choice';
  import Button from '../kit/Button.svelte';
  import { HEADER_KINDS } from '@idle-breadboard/core/card';
  import { type PrintedHeader } from '@idle-breadboard/core/workshop';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import { desk } from '../state/desk.svelte';

  let { next }: { next: () => void } = $props();
  const NAMES = ['first', 'second', 'third', 'fourth'];
  const headers = $derived(desk.draft?.headers ?? []);
  const set = (at: number, change: Partial<PrintedHeader>) =>
    desk.setHeaders(headers.map((header, i) => (i === at ? { ...header, ...change } : header)));
  const add = () => desk.setHeaders([...headers, { kind: headers[0]?.kind ?? 'male', text: '', across: '15.24 mm' }]);
</script>

<div class="grid gap-1 justify-items-start py-1.5 px-3 border-b">
  <p class="m-0">
    <strong>Printed along {headers.length > 1 ? 'the headers' : 'the header'}</strong>
    <span class="unit"
      >in their order, from pin one: VIN GND SCL SDA. VIN=VCC where a pin has two names; red:VCC for a wire and its
      colour.</span
    >
  </p>
  {#each headers as header, i (i)}
    <div class="flex flex-wrap gap-x-2 gap-y-1 w-full items-center">
      <Select
        label="kind of the {NAMES[i]} header"
        value={header.kind}
        choices={wordsAsChoices(HEADER_KINDS)}
        change={(to) => set(i, { kind: to })}
      />
      <input
        class="field value flex-1 min-w-[min(16em,100%)] whitespace-normal"
        aria-label="printed along the {NAMES[i]} header"
        placeholder="VIN GND SCL SDA"
        spellcheck="false"
        autocomplete="off"
        value={header.text}
        oninput={(event) => set(i, { text: event.currentTarget.value })}
        onkeydown={(event) => event.key === 'Enter' && next()}
      />
      {#if i > 0}
        <label class="unit"
          >across <input
            class="field value w-[6em]"
            aria-label="how far the {NAMES[i]} header is from the first"
            value={header.across ?? ''}
            onchange={(event) => set(i, { across: event.currentTarget.value })}
          /></label
        >
        <Button
          kind="bare"
          aria-label="take the {NAMES[i]} header away"
          onclick={() => desk.setHeaders(headers.filter((_, j) => j !== i))}><X size={14} /></Button
        >
      {/if}
    </div>
  {/each}
  {#if headers.length < NAMES.length}
    <Button kind="bare" onclick={add}><Plus size={14} />one more header</Button>
  {/if}
</div>
