<!-- The self-test: a program that comes out of the plan, and what it says of the build. -->
<script lang="ts">
  import { jobOf, numberedParts } from '@idle-breadboard/core/bench';
  import type { SheetRow } from '@idle-breadboard/core/deliver';
  import { counted, say, saysExpected, saysReading } from '@idle-breadboard/core/words';
  import Button from '../kit/Button.svelte';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import Select from '../kit/Select.svelte';
  import { saveSelfTest } from '../kit/plan-actions';
  import { hasSerial, serialPort, SPEEDS } from '../port/line-port';
  import { bringing } from '../state/bringing.svelte';
  import { logbook } from '../state/logbook.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { selfTesting } from '../state/self-testing.svelte';
  import WhichPart from './WhichPart.svelte';

  let text = $state('');
  let speed = $state<number>(SPEEDS[2]);
  const { heard } = $derived(selfTesting);
  /** Rows of the sheet that a run has filled, as they stand now. */
  const told = $derived(bringing.evidence.filter(({ program, row }) => program || row === 'heard'));
  const bad = $derived(told.filter(({ inside }) => !inside));
  const pins = $derived(workbench.study ? jobOf(workbench.study.circuit).pins.map(({ label }) => label) : []);
  const LEVELS: Readonly<Record<string, string>> = {
    '11': 'held high',
    '00': 'held low',
    '10': 'free',
    '01': 'no level',
  };
  const level = (text: string) => LEVELS[text] ?? (text.endsWith('1') ? 'held high' : 'low');
  /** A row that shows something else than it should, in words. */
  function said({ kind, title, expected }: SheetRow, value: string): string {
    const wanted = typeof expected === 'string' ? expected : '';
    if (kind === 'level') return `${say(title)}: ${level(value)}, expected ${level(wanted)}`;
    if (kind !== 'hold') return `${say(title)}: ${saysReading(value, undefined)}, expected ${saysExpected(expected)}`;
    const other = pins.filter((_, i) => wanted[i] !== '?' && wanted[i] !== value[i]);
    return `${say(title)}: ${other.join(', ')} ${other.length === 1 ? 'reads' : 'read'} otherwise`;
  }
  const hasWires = $derived((workbench.study ? numberedParts(workbench.study.circuit) : []).length > 0);
  async function file(chosen: File | undefined) {
    if (chosen) await selfTesting.read(await chosen.text());
  }
</script>

<Row>
  {#snippet choose()}
    <div class="w-full pt-1 pb-1.5" role="group" aria-label="self-test">
      <p class="eyebrow my-0.5 mx-0">Self-test</p>
      <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center my-1">
        <Button onclick={() => saveSelfTest('c')}>Program in C</Button>
        <Button onclick={() => saveSelfTest('python')}>Program in Python</Button>
        {#if bringing.stop}<span class="unit">It needs power, which waits until the stop above is settled.</span>
        {:else if bringing.bench !== 'off'}<Button onclick={() => selfTesting.simulate()}
            >Run it on the simulated bench</Button
          >
        {:else if selfTesting.listening}
          <Button onclick={() => selfTesting.ask()}>Run it again</Button>
          <Button onclick={() => selfTesting.stop()}>Stop listening to it</Button>
        {:else if hasSerial()}
          <Button onclick={() => selfTesting.listen(serialPort(speed))}>Listen to it</Button>
          <Select
            label="speed of the self-test’s port"
            value={String(speed)}
            choices={SPEEDS.map((baud) => ({ value: String(baud), label: `${baud} baud` }))}
            change={(to) => (speed = SPEEDS.find((baud) => String(baud) === to) ?? speed)}
          />
        {/if}
      </div>
      {#if bringing.bench === 'off'}
        <details>
          <summary class="min-h-row py-1 cursor-pointer">What it printed, pasted or as a file</summary>
          <textarea
            class="field value w-full resize-y"
            rows="4"
            aria-label="lines of the self-test, pasted"
            placeholder="@ib 0 begin …"
            spellcheck="false"
            bind:value={text}></textarea>
          <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center my-1">
            <Button onclick={() => selfTesting.silent()}>It prints nothing</Button>
            <Button disabled={text.trim() === ''} onclick={() => selfTesting.read(text)}>Read the lines</Button>
            <input
              type="file"
              accept=".txt,.log,.csv"
              aria-label="lines of the self-test as a file"
              onchange={(event) => file(event.currentTarget.files?.[0])}
            />
          </div>
        </details>
      {/if}
      {#if selfTesting.trouble}<p role="alert" class="text-danger my-0.5">{selfTesting.trouble}</p>{/if}
    </div>
  {/snippet}
  {#snippet prove()}
    <div class="w-full pt-1 pb-1.5">
      <p class="unit my-0.5">
        A program made of this plan tries the lines, scans, reads, and fills the sheet. Outputs stay as they rest: wired
        as planned, nothing moves, heats or lights before you let it. You write the eleven functions that reach your
        hardware; for Linux those of pins and buses are there.
      </p>
      <div aria-live="polite">
        {#if heard && heard.lines > 0}
          <p class="unit my-0.5">
            {counted(heard.lines, 'line')} came through{heard.of === null ? '' : ` of ${heard.of}`}. Nothing is taken
            before all of them are there: run it again.
          </p>
        {/if}
        {#if told.some(({ row, value }) => row === 'heard' && value === 'no')}
          <p class="my-0.5">
            <Glyph severity="fault" /> It prints nothing: the controller has no power, or does not start.
          </p>
        {:else if told.length > 0}
          <p class="my-0.5">
            <Glyph severity={bad.length > 0 ? 'fault' : null} />
            {counted(told.length, 'reading')} by the program, {bad.length === 0
              ? 'all as expected'
              : `${bad.length} outside`}.
          </p>
          {#each bad.slice(0, 6) as entry (entry.id)}
            {@const row = bringing.rows.get(entry.row ?? '')}
            {#if row}<p class="my-0.5 pl-5">
                {said(row, String(entry.value))}
              </p>{/if}
          {/each}
          {#if bad.length > 6}<p class="unit my-0.5 pl-5">and {bad.length - 6} more below</p>{/if}
        {:else if !heard || heard.lines === 0}
          <p class="unit my-0.5">
            It has not been heard yet{logbook.simulated ? ' on the simulated bench' : ''}. What it reads need not be
            measured.
          </p>
        {/if}
      </div>
      {#if workbench.study && hasWires}<WhichPart circuit={workbench.study.circuit} />{/if}
    </div>
  {/snippet}
</Row>
