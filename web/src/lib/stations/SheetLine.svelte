<!-- One line of the bring-up sheet: what to measure and the value; beside it, what was expected and where the value lies. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import { readScanLog, type Reading } from '@idle-breadboard/core/bench';
  import { isInside, type SheetRow } from '@idle-breadboard/core/deliver';
  import { formatAddress, parseQuantity } from '@idle-breadboard/core/figures';
  import { saysExpected, saysReading, say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import EdgeTrace from '../charts/EdgeTrace.svelte';
  import WithinBar from '../charts/WithinBar.svelte';
  import { bringing } from '../state/bringing.svelte';
  import { logbook } from '../state/logbook.svelte';
  import ProgramQuestion from './ProgramQuestion.svelte';

  let { row, next = false }: { row: SheetRow; next?: boolean } = $props();
  const written = $derived(logbook.values.get(row.key) ?? null);
  /** Held against what is expected now. */
  const entry = $derived(
    written?.value === undefined ? null : { ...written, inside: isInside(row.expected, written.value) },
  );
  const old = $derived(entry !== null && logbook.isOld(entry));
  const seen = $derived(bringing.seen.get(row.key));
  const { expected } = $derived(row);
  const shown = $derived(entry === null || old ? '' : saysReading(entry.value, entry.unit));
  let trouble = $state('');
  const hold = () => bringing.hold(row.key);

  function read(text: string): Reading {
    if (typeof expected !== 'string')
      return /^(open|ol|∞|no edge|none)$/i.test(text) ? Infinity : parseQuantity(text, expected.unit);
    if (row.kind !== 'scan') return text;
    const log = readScanLog(text);
    if (log.problems[0]) throw new Error(say(log.problems[0].says));
    return log.addresses.map(({ value }) => formatAddress(value)).join(' ') || 'none';
  }
  async function take(text: string) {
    trouble = '';
    const typed = text.trim();
    if (typed === '' || typed === shown) return;
    try {
      await bringing.log([{ row, value: read(typed) }], 'typed');
    } catch (error) {
      trouble = error instanceof Error ? error.message : 'not a value';
    }
  }
  const look = $derived(bringing.looks.get(row.key));
  const bounds = $derived(saysExpected(expected));
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div
  class="scroll-mt-[46cqh] data-held:bg-copper-soft"
  data-held={bringing.current?.key === row.key || undefined}
  onfocusin={hold}
  onpointerdown={hold}
>
  <Row subjects={row.subjects}>
    {#snippet choose()}
      <div class="group/what flex-[1_1_180px] min-w-0" data-next={next || undefined}>
        <span class="title block group-data-next/what:font-semibold group-data-next/what:text-copper"
          >{say(row.title)}</span
        >
        <span class="unit block text-aside">{say(row.how)}</span>
      </div>
      <div class="flex gap-1.5 items-center">
        {#if expected === 'yes'}
          <Select
            label="{say(row.title)}: as it should"
            class="w-[8.5em] scroll-mt-[46cqh]"
            value={old ? '' : String(entry?.value ?? '')}
            choices={[
              { value: '', label: 'not tried' },
              { value: 'yes', label: 'yes, it does' },
              { value: 'no', label: 'no' },
            ]}
            change={take}
          />
        {:else}
          <input
            class="field value w-[8.5em] scroll-mt-[46cqh]"
            aria-label="{say(row.title)}: measured"
            aria-invalid={trouble !== ''}
            value={shown}
            spellcheck="false"
            autocomplete="off"
            placeholder={row.kind === 'scan' ? '0x26 …' : typeof expected === 'string' ? '' : expected.unit}
            onchange={(event) => take(event.currentTarget.value)}
          />
        {/if}
        {#if bringing.bench !== 'off'}
          <Button aria-label="read {say(row.title)} on the simulated bench" onclick={() => bringing.read([row])}
            >Read</Button
          >
        {/if}
      </div>
      {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
      {#if expected === 'yes'}<ProgramQuestion {row} />{/if}
    {/snippet}
    {#snippet prove()}
      <div class="flex flex-wrap gap-x-2.5 gap-y-0.5 items-center w-full">
        {#if entry && !old}<Glyph severity={entry.inside ? null : 'fault'} />{/if}
        <span class="value">{bounds}</span>
        {#if entry && !old}<span
            class="data-bad:text-danger data-bad:font-semibold"
            data-bad={!entry.inside || undefined}>{entry.inside ? 'as expected' : 'outside'}</span
          >
        {:else if old}<span class="unit">measured before it was mended</span>
        {:else if seen}<span data-seen>{say(seen)}</span>{/if}
        {#if typeof expected !== 'string'}<span class="flex-1"></span><WithinBar
            {expected}
            value={entry && !old && typeof entry.value === 'number' ? entry.value : null}
            label="{say(row.title)}: {shown || 'not measured'}, expected {bounds}"
          />{/if}
      </div>
      {#if typeof expected !== 'string'}<p class="unit text-aside">{say(expected.sum)}</p>{/if}
      {#if look}<EdgeTrace seen={look.seen} sound={look.sound} label={say(row.title)} />{/if}
    {/snippet}
  </Row>
</div>
