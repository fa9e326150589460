<!-- What is printed along the headers: from it follow the pins, and proposals for what they are. -->
<script lang="ts">
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

<div class="printed">
  <p class="m-0">
    <strong>Printed along {headers.length > 1 ? 'the headers' : 'the header'}</strong>
    <span class="unit"
      >in their order, from pin one: VIN GND SCL SDA. VIN=VCC where a pin has two names; red:VCC for a wire and its
      colour.</span
    >
  </p>
  {#each headers as header, i (i)}
    <div class="header">
      <select
        class="field"
        aria-label="kind of the {NAMES[i]} header"
        value={header.kind}
        onchange={(event) => set(i, { kind: event.currentTarget.value })}
      >
        {#each HEADER_KINDS as kind (kind)}<option value={kind}>{kind}</option>{/each}
      </select>
      <input
        class="field value names"
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
            class="field value across"
            aria-label="how far the {NAMES[i]} header is from the first"
            value={header.across ?? ''}
            onchange={(event) => set(i, { across: event.currentTarget.value })}
          /></label
        >
        <button
          type="button"
          class="act bare"
          aria-label="take the {NAMES[i]} header away"
          onclick={() => desk.setHeaders(headers.filter((_, j) => j !== i))}><X size={14} /></button
        >
      {/if}
    </div>
  {/each}
  {#if headers.length < NAMES.length}
    <button type="button" class="act bare" onclick={add}><Plus size={14} />one more header</button>
  {/if}
</div>

<style>
  .printed {
    display: grid;
    gap: 4px;
    justify-items: start;
    padding: 6px 12px;
    border-bottom: 1px solid var(--line);
  }
  .header {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 8px;
    width: 100%;
    align-items: center;
  }
  .names {
    flex: 1;
    min-width: min(16em, 100%);
    white-space: normal;
  }
  .across {
    width: 6em;
  }
</style>
