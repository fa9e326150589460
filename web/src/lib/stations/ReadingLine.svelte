<!-- What one part reads of one quantity: typed or pasted, what is odd about it, and what it is compared to. -->
<script lang="ts">
  import { calibrated, type ReadingAt } from '@idle-breadboard/core/deliver';
  import { formatQuantity, formatSigned, parseQuantity } from '@idle-breadboard/core/figures';
  import { counted, say, saysReading } from '@idle-breadboard/core/words';
  import Button from '../kit/Button.svelte';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import { logbook } from '../state/logbook.svelte';
  import { readings } from '../state/readings.svelte';

  let { at }: { at: ReadingAt } = $props();
  let trouble = $state('');
  let pasting = $state(false);
  let pasted = $state('');
  let truth = $state('');
  let against = $state('');
  const name = $derived(`${at.quantity} of ${say(at.label)}`);
  const entry = $derived(readings.entryOf(at));
  const shown = $derived(entry ? saysReading(entry.value, entry.unit) : '');
  const doubts = $derived(readings.doubts(at));
  const calibration = $derived(calibrated(logbook.world, at, logbook.build));
  const wanted = $derived(at.need ?? at.measure.range);

  /** One value may have its unit behind it; a series is read line by line. */
  function oneValue(typed: string): number | null {
    try {
      return parseQuantity(typed, at.unit);
    } catch {
      return null;
    }
  }
  async function take(text: string) {
    trouble = '';
    const typed = text.trim();
    if (typed === '' || typed === shown) return;
    const one = typed.includes('\n') ? null : oneValue(typed);
    trouble = await readings.take(at, one === null ? typed : String(one), typed.includes('\n') ? 'pasted' : 'typed');
    if (trouble === '') {
      pasting = false;
      pasted = '';
    }
  }
  async function compare() {
    trouble = '';
    try {
      await readings.calibrate(at, parseQuantity(truth, at.unit), against);
      [truth, against] = ['', ''];
    } catch (error) {
      trouble = error instanceof Error ? error.message : 'not a value';
    }
  }
</script>

<Row subjects={[at.part]}>
  {#snippet choose()}
    <div class="flex-[1_1_180px] min-w-0">
      <span class="title block">{say(at.label)}</span>
      <span class="unit block text-aside">{at.quantity}</span>
    </div>
    <div class="flex flex-wrap gap-1.5 items-center">
      <input
        class="field value w-[8.5em] scroll-mt-[46cqh]"
        aria-label="{name}: it reads"
        aria-invalid={trouble !== ''}
        placeholder={at.unit}
        spellcheck="false"
        autocomplete="off"
        value={shown}
        onchange={(event) => take(event.currentTarget.value)}
      />
      <Button aria-expanded={pasting} onclick={() => (pasting = !pasting)}>Series</Button>
    </div>
    {#if pasting}
      <textarea
        class="field value w-full resize-y"
        rows="4"
        aria-label="{name}: readings, one a line"
        placeholder="one a line, seconds before it where they are known"
        bind:value={pasted}></textarea>
      <Button disabled={pasted.trim() === ''} onclick={() => take(`${pasted}\n`)}>Take the series</Button>
    {/if}
    {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
  {/snippet}
  {#snippet prove()}
    <div class="w-full" aria-live="polite">
      <p class="flex flex-wrap gap-x-2.5 items-center m-0">
        {#if doubts}<Glyph severity={doubts.length > 0 ? 'fault' : null} />{/if}
        <span class="unit">wanted</span>
        <span class="value">{formatQuantity(wanted.from, at.unit)} to {formatQuantity(wanted.to, at.unit)}</span>
        {#if doubts?.length === 0}<span>a sound part can read that</span>{/if}
        {#if entry?.text}<span class="unit">{entry.text}</span>{/if}
      </p>
      {#each doubts ?? [] as doubt (doubt.id)}
        <p class="my-0.5"><strong class="font-semibold">{say(doubt.seen)}.</strong> {say(doubt.cause)}</p>
      {/each}
      {#if readings.valueOf(at) !== null}
        <details>
          <summary class="min-h-row py-1 cursor-pointer"
            >Compare with what is true{calibration
              ? `: ${formatSigned(calibration.offset, at.unit)}${calibration.gain === 1 ? '' : `, gain ${calibration.gain.toFixed(4)}`}`
              : ''}</summary
          >
          <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center pb-1">
            <input
              class="field value w-[8.5em]"
              aria-label="{name}: it is"
              placeholder="it is, {at.unit}"
              bind:value={truth}
            />
            <input
              class="field w-[14em]"
              aria-label="{name}: compared to"
              placeholder="compared to: ice in water"
              maxlength="200"
              bind:value={against}
            />
            <Button disabled={truth.trim() === ''} onclick={compare}>Add a point</Button>
          </div>
          {#if calibration}
            <p class="unit my-0.5">
              {counted(calibration.points.length, 'point')}, the last on {calibration.at.slice(0, 10)}{calibration
                .against.length > 0
                ? `, against ${calibration.against.join(', ')}`
                : ''}; {formatQuantity(calibration.worst, at.unit, 2)} left at the worst. The settings carry it to the program.
            </p>
          {/if}
        </details>
      {/if}
    </div>
  {/snippet}
</Row>
