<!-- The logbook: what was measured, noted, found and mended, by date; trends over the days; photos; signing off. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { button } from '../kit/button';
  import Button from '../kit/Button.svelte';
  import { counted, sayError } from '@idle-breadboard/core/words';
  import { answersOf, calibrationOf, trendOf } from '@idle-breadboard/core/deliver';
  import { formatQuantity, parseQuantity } from '@idle-breadboard/core/figures';
  import { logCsv, logMarkdown, writeLogbook } from '@idle-breadboard/core/files';
  import { setMeasured } from '@idle-breadboard/core/plan';
  import TrendLine from '../charts/TrendLine.svelte';
  import Row from '../kit/Row.svelte';
  import { fileName, saveFile } from '../kit/save-file';
  import { bringing } from '../state/bringing.svelte';
  import { logbook } from '../state/logbook.svelte';
  import LogEntries from './LogEntries.svelte';
  import Rebuilds from './Rebuilds.svelte';
  import { telling } from '../state/telling.svelte';
  import { workbench } from '../state/workbench.svelte';

  let text = $state('');
  let row = $state('');
  let reference = $state('');
  let reading = $state('');
  let trouble = $state('');
  const name = $derived(workbench.plan?.name ?? 'plan');
  const measured = $derived([
    ...new Map(logbook.world.filter((e) => e.row && typeof e.value === 'number').map((e) => [e.row ?? '', e.title])),
  ]);
  const trend = $derived(row === '' ? null : trendOf(logbook.world, row));
  const calibration = $derived(row === '' ? null : calibrationOf(logbook.world, row, logbook.build));
  const unitOf = (key: string) => {
    const expected = bringing.rows.get(key)?.expected;
    return typeof expected === 'object' ? expected.unit : (logbook.world.find((e) => e.row === key)?.unit ?? '');
  };

  async function note() {
    if (text.trim() === '') return;
    await logbook.add([{ kind: 'note', title: 'note', text: text.trim() }]);
    text = '';
  }
  async function photo(files: FileList | null) {
    const [image] = files ?? [];
    if (image) await logbook.addPhoto(image, text.trim() || image.name);
    text = '';
  }
  async function openFile(input: HTMLInputElement) {
    const [file] = input.files ?? [];
    input.value = '';
    if (!file) return;
    const read = await bringing.intake.calls.logbook(await file.text());
    if (!read.ok) {
      workbench.refusal = { file: file.name, problems: read.problems };
      return;
    }
    const fresh = await logbook.take(read.value);
    const old = read.value.entries.length - fresh;
    telling.say(
      `${counted(fresh, 'entry', 'entries')} of “${read.value.plan}” taken${old > 0 ? `; ${old} were there already` : ''}.`,
    );
    void bringing.find();
  }
  async function calibrate() {
    trouble = '';
    try {
      const unit = unitOf(row);
      const [value, truth] = [reading, reference].map((typed) => parseQuantity(typed, unit));
      if (value === undefined || truth === undefined) return;
      await logbook.add([
        {
          kind: 'calibrated',
          title: measured.find(([key]) => key === row)?.[1] ?? row,
          row,
          value,
          reference: truth,
          unit,
        },
      ]);
      [reading, reference] = ['', ''];
    } catch (error) {
      trouble = sayError(error);
    }
  }
  async function sign() {
    const { done, standard, outside, seen } = bringing;
    const passes = workbench.study?.verdict.passes ?? [];
    // What the simulated bench shows is no evidence: it rests on the same figures as the proofs.
    const rows = bringing.evidence.flatMap((e) =>
      e.inside && e.by !== 'bench' ? (bringing.rows.get(e.row ?? '') ?? []) : [],
    );
    const results = [...new Set(rows.flatMap((row) => answersOf(row, passes)))];
    const fingerprint = workbench.study?.fingerprint ?? '';
    if (workbench.plan && results.length > 0)
      workbench.edit(setMeasured(workbench.plan, { fingerprint, at: new Date().toISOString(), results }), 'sign off');
    await logbook.add([
      {
        kind: 'signed',
        title: `signed off${logbook.simulated ? ', simulated' : ''}: ${done} of ${standard.length} as expected${seen.size > 0 ? `, ${seen.size} seen otherwise and not measured` : ''}, ${outside.length} outside`,
        text: text.trim(),
      },
    ]);
    text = '';
  }
  async function rebuild() {
    await logbook.add([{ kind: 'note', title: 'rebuilt', text: text.trim() }], logbook.build + 1);
    text = '';
    telling.say(`Build ${logbook.build} begins: nothing of it is measured yet.`);
  }
</script>

<Row head>
  {#snippet choose()}Logbook{/snippet}
  {#snippet prove()}<span class="unit"
      >build {logbook.build}, {counted(logbook.entries.length, 'entry', 'entries')}{logbook.signed
        ? `; ${logbook.signed.title}`
        : ''}</span
    >{/snippet}
</Row>
<Row>
  {#snippet choose()}
    <div class="w-full pt-1 pb-2">
      <textarea
        class="field w-full resize-y"
        rows="2"
        aria-label="note"
        placeholder="A note, a deviation, what was changed."
        bind:value={text}></textarea>
      <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center mt-1">
        <Button disabled={text.trim() === ''} onclick={note}>Add the note</Button>
        <label class={button({ class: 'cursor-pointer focus-within:outline-2 focus-within:outline-copper' })}
          >Photo<input
            type="file"
            accept="image/*"
            class="sr-only"
            onchange={(event) => photo(event.currentTarget.files)}
          /></label
        >
        <Button disabled={bringing.evidence.length === 0} onclick={sign}>Sign off</Button>
        <Button disabled={logbook.entries.length === 0} onclick={rebuild}>Begin a rebuild</Button>
        <Button onclick={() => saveFile(fileName(`${name} logbook`, 'csv'), logCsv(logbook.entries), 'text/csv')}
          >CSV</Button
        >
        <Button
          onclick={() =>
            saveFile(fileName(`${name} logbook`, 'md'), logMarkdown(name, logbook.entries), 'text/markdown')}
          >Markdown</Button
        >
        <Button
          title="to go on with in another browser; photos stay here"
          onclick={() =>
            saveFile(fileName(`${name} logbook`, 'json'), writeLogbook(name, logbook.entries), 'application/json')}
          >File</Button
        >
        <label class={button({ class: 'cursor-pointer focus-within:outline-2 focus-within:outline-copper' })}
          >Open a file<input
            type="file"
            accept=".json,application/json"
            class="sr-only"
            aria-label="logbook file to take in"
            onchange={(event) => openFile(event.currentTarget)}
          /></label
        >
      </div>
      {#if measured.length > 0}
        <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center mt-1">
          <Select
            label="value over the days"
            class="max-w-[16em]"
            bind:value={row}
            choices={[
              { value: '', label: 'a value over the days' },
              ...measured.map(([value, label]) => ({ value, label })),
            ]}
          />
          {#if row !== ''}
            <input
              class="field value"
              size="8"
              aria-label="reading at a point"
              placeholder="it reads"
              bind:value={reading}
            />
            <input
              class="field value"
              size="8"
              aria-label="true value at that point"
              placeholder="it is"
              bind:value={reference}
            />
            <Button disabled={reading === '' || reference === ''} onclick={calibrate}>Add a point</Button>
          {/if}
        </div>
        {#if trouble}<p role="alert" class="text-danger my-0.5">{trouble}</p>{/if}
      {/if}
    </div>
  {/snippet}
  {#snippet prove()}
    <div class="w-full pt-1 pb-2">
      {#if trend && trend.points.length > 0}<TrendLine {trend} unit={unitOf(row)} />{/if}
      {#if calibration}<p class="my-0.5">
          Offset by {counted(calibration.points.length, 'point')}: {formatQuantity(calibration.offset, unitOf(row), 3)} to
          be added; {formatQuantity(calibration.worst, unitOf(row), 3)} left at the worst.
        </p>{/if}
      <Rebuilds entries={logbook.world} />
      <LogEntries />
    </div>
  {/snippet}
</Row>
