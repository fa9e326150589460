<!-- The build on a time axis: who is at work when, and a measured current laid over the one that the plan gives. -->
<script lang="ts">
  import { readCurrentTable } from '@idle-breadboard/core/bench';
  import { type Circuit, explainLog, type Sample, timeline } from '@idle-breadboard/core/circuit';
  import { formatQuantity, wordOf } from '@idle-breadboard/core/figures';
  import { say } from '@idle-breadboard/core/words';
  import CurrentOverlay from '../charts/CurrentOverlay.svelte';
  import LaneStrip from '../charts/LaneStrip.svelte';
  import { tallest } from '../charts/round';
  import Button from '../kit/Button.svelte';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import Select from '../kit/Select.svelte';
  import DayOfParts from './DayOfParts.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const sources = $derived(
    [...circuit.rails.values()].filter((rail) => rail.part === rail.source && rail.loads.length > 0),
  );
  let chosen = $state('');
  const rail = $derived(sources.find(({ ref }) => ref === chosen) ?? sources[0]);
  let text = $state('');
  let log = $state.raw<readonly Sample[]>([]);
  let trouble = $state('');
  const line = $derived(rail ? timeline(circuit, rail.ref) : null);
  const report = $derived(rail && log.length > 0 ? explainLog(circuit, rail.ref, log) : null);
  const lanes = $derived(line?.lanes.filter(({ rhythm }) => rhythm.every !== null) ?? []);
  const labelOf = (part: string) => say(circuit.parts.get(part)?.label);
  const list = (names: readonly string[]) => new Intl.ListFormat('en').format(names);
  const A = (value: number) => formatQuantity(value, 'A');

  function read(written: string) {
    const found = readCurrentTable(written);
    trouble = found.ok ? '' : say(found.says);
    if (found.ok) log = found.samples;
  }
  const SLIPS = {
    always: 'is at work all the time',
    never: 'never begins to work',
    gone: 'takes nothing',
    rests: 'rests',
  } as const;
  /** @example "controller rests idle" */
  const slipped = (part: string, slip: { is: keyof typeof SLIPS; in?: string }): string =>
    [labelOf(part), SLIPS[slip.is], ...(slip.in === undefined ? [] : [say(wordOf('doing', slip.in))])].join(' ');
</script>

{#if rail && line}
  <Row head>
    {#snippet choose()}Current over time{/snippet}
    {#snippet prove()}<span class="unit">the round of the plan, and what a meter wrote laid over it</span>{/snippet}
  </Row>
  <Row>
    {#snippet choose()}
      <div class="w-full pt-1 pb-1.5">
        {#if sources.length > 1}<Select
            label="where the meter is"
            value={rail.ref}
            choices={sources.map(({ ref, label }) => ({ value: ref, label: say(label) }))}
            change={(to) => (chosen = to)}
          />{/if}
        <textarea
          class="field value w-full resize-y"
          rows="3"
          aria-label="current over time, pasted"
          placeholder="time (s), current (mA)"
          spellcheck="false"
          bind:value={text}></textarea>
        <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center my-1">
          <Button disabled={text.trim() === ''} onclick={() => read(text)}>Lay it over</Button>
          <input
            type="file"
            accept=".csv,.txt,.tsv"
            aria-label="current over time as a file"
            onchange={async (event) => {
              const [file] = event.currentTarget.files ?? [];
              if (file) read(await file.text());
            }}
          />
          {#if log.length > 0}<Button onclick={() => (log = [])}>Take it away</Button>{/if}
        </div>
        {#if trouble}<p role="alert" class="text-danger my-0.5">{trouble}</p>{/if}
      </div>
    {/snippet}
    {#snippet prove()}
      <div class="w-full pt-1" aria-live="polite">
        <p class="my-0.5">
          Planned {A(line.average)} on the average{report ? `, measured ${A(report.measured.average)}` : ''}.
        </p>
        {#if report?.agrees}<p class="my-0.5">
            <Glyph severity={null} /> As planned to within a third.{#if report.unseen.length > 0}
              It says nothing of {list(report.unseen.map(labelOf))}: what they take is lost among the others.{/if}
          </p>
        {:else if report}
          {#each report.explained as { part, slip, average, left }, i (i)}
            <p class="my-0.5">
              {#if i === 0}<Glyph severity="fault" />{:else}or{/if}
              <strong class="font-semibold">{slipped(part, slip)}</strong>: {A(average)} on the average; {Math.round(
                (1 - left) * 100,
              )} % of the difference.
            </p>
          {:else}<p class="my-0.5">
              <Glyph severity="fault" /> It differs, and none of the parts alone explains it: not by resting otherwise, by
              working always or never, or by taking nothing.
            </p>{/each}
        {/if}
      </div>
    {/snippet}
    {#snippet wide()}
      <div class="pb-2">
        <CurrentOverlay label="Current of {say(rail.label)}" {line} {lanes} {log} {report} />
        {#each lanes as lane (lane.part)}
          <div class="flex items-center gap-2 min-w-0 [--round:calc(100%_-_11rem)]">
            <span class="w-[10.5rem] flex-none truncate text-aside">{say(lane.label)}</span>
            <LaneStrip {lane} {lanes} most={tallest(lanes)} />
          </div>
        {/each}
        <DayOfParts {lanes} />
      </div>
    {/snippet}
  </Row>
{/if}
