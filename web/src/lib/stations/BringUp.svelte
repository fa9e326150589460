<!-- Station 0: the build against what it should show, phase by phase; what the mismatches point to; the logbook. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import Printer from '@lucide/svelte/icons/printer';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { BENCH_RULE, SHEET_PHASES, type SheetPhase } from '@idle-breadboard/core/deliver';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { sheetMarkdown } from '@idle-breadboard/core/files';
  import { say } from '@idle-breadboard/core/words';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import Working from './Working.svelte';
  import { fileName, saveFile } from '../kit/save-file';
  import { bringing } from '../state/bringing.svelte';
  import { logbook } from '../state/logbook.svelte';
  import { workbench } from '../state/workbench.svelte';
  import CaptureIn from './CaptureIn.svelte';
  import CurrentLog from './CurrentLog.svelte';
  import LogPages from './LogPages.svelte';
  import MeterIn from './MeterIn.svelte';
  import PasteIn from './PasteIn.svelte';
  import ProbeMap from './ProbeMap.svelte';
  import Readings from './Readings.svelte';
  import SheetLine from './SheetLine.svelte';
  import SelfTest from './SelfTest.svelte';
  import SimBench from './SimBench.svelte';
  import StopSign from './StopSign.svelte';
  import Suspects from './Suspects.svelte';
  import TouchProbes from './TouchProbes.svelte';

  let { circuit }: { circuit: Circuit } = $props();

  $effect(() => {
    void bringing.ask();
    void logbook.open().then(() => bringing.find());
  });

  const nextKey = $derived(bringing.pointed?.settled ? '' : (bringing.pointed?.next[0]?.row ?? ''));
  /** Lines of the sheet, and what was measured or is to be measured besides. */
  const rowsOf = (phase: SheetPhase) =>
    (bringing.sheet?.rows ?? []).filter(
      (row) =>
        row.phase === phase &&
        !bringing.touched.some(({ key }) => key === row.key) &&
        (row.standard || row.key === nextKey || logbook.values.has(row.key)),
    );
  /** What follows a short is not offered. */
  const phases = $derived(bringing.stop && !bringing.stop.live ? SHEET_PHASES.slice(0, 1) : SHEET_PHASES);
  function save() {
    const name = workbench.plan?.name ?? 'plan';
    if (bringing.sheet)
      saveFile(
        fileName(`${name} bring-up`, 'md'),
        sheetMarkdown(name, workbench.study?.fingerprint ?? '', bringing.sheet),
        'text/markdown',
      );
  }
  const bad = (keys: readonly { key: string }[]) =>
    keys.filter(({ key }) => bringing.outside.some((e) => e.row === key)).length;
  const count = (keys: readonly { key: string }[]) =>
    keys.filter(({ key }) => bringing.evidence.some((e) => e.row === key)).length;
  const seen = (keys: readonly { key: string }[]) => keys.filter(({ key }) => bringing.seen.has(key)).length;
</script>

<Station
  title="Bring-up"
  says={bringing.sheet
    ? `${bringing.done} of ${bringing.standard.length} as expected${bringing.seen.size > 0 ? `, ${bringing.seen.size} seen otherwise` : ''}`
    : 'writing the sheet'}
>
  {#snippet tools()}
    <Button disabled={!bringing.sheet} onclick={() => window.print()}><Printer size={14} />Print</Button>
    <Button disabled={!bringing.sheet} onclick={save}>Sheet</Button>
  {/snippet}
  {#if bringing.trouble}<p class="py-2 px-3 border-b" role="alert">{bringing.trouble}</p>{/if}
  {#if bringing.sheet}
    <StopSign />
    <ProbeMap {circuit} />
    <SelfTest />
    <MeterIn />
    <Row>
      {#snippet choose()}<SimBench />{/snippet}
      {#snippet prove()}<Suspects />{/snippet}
    </Row>
    {#each phases as phase (phase)}
      {@const rows = rowsOf(phase)}
      {#if rows.length > 0}
        <Row head>
          {#snippet choose()}{say(wordOf('sheet-phase', phase))}{/snippet}
          {#snippet prove()}
            <span class="unit"
              >{count(rows)} of {rows.length} measured{seen(rows) > 0 ? `, ${seen(rows)} seen otherwise` : ''}{bad(
                rows,
              ) > 0
                ? `, ${bad(rows)} outside`
                : ''}</span
            >
          {/snippet}
        </Row>
        {#if phase === 'off' || phase === 'power'}
          <Row>
            {#snippet choose()}
              <aside
                class="border-l-4 border-l-caution pl-2 [margin-block:4px]"
                aria-label="safety, {say(wordOf('sheet-phase', phase))}"
              >
                {#if phase === 'off'}<p class="my-0.5">{say(BENCH_RULE)}</p>
                  <p class="my-0.5">The supply is unplugged and the cells are out of their holder.</p>
                {:else}{#each bringing.sheet?.cautions ?? [] as { hazard, labels, says } (says)}<p class="my-0.5">
                      <strong>{hazard}</strong> · {say(labels)}: {says}
                    </p>{/each}{/if}
              </aside>
            {/snippet}
          </Row>
        {:else if phase === 'scan'}<PasteIn {circuit} />
        {:else if phase === 'edges'}<CaptureIn {circuit} />{/if}
        {#each rows.filter((row) => !row.lead && !row.program) as row (row.key)}
          <div id="row-{row.key}"><SheetLine {row} next={row.key === nextKey} /></div>
        {/each}
        {#if rows.some(({ program }) => program)}
          {@const pins = rows.filter(({ program }) => program)}
          <details open={pins.some(({ key }) => bringing.outside.some((e) => e.row === key))}>
            <summary class="py-1 px-3 min-h-row border-b cursor-pointer"
              >Pin by pin, by the self-test: {count(pins)} of {pins.length} read{bad(pins) > 0
                ? `, ${bad(pins)} outside`
                : ''}</summary
            >
            {#each pins as row (row.key)}<div id="row-{row.key}"><SheetLine {row} next={false} /></div>{/each}
          </details>
        {/if}
        {#if rows.some(({ lead }) => lead)}
          {@const leads = rows.filter(({ lead }) => lead)}
          <details open={leads.some(({ key }) => key === nextKey || bringing.outside.some((e) => e.row === key))}>
            <summary class="py-1 px-3 min-h-row border-b cursor-pointer"
              >Lead by lead: {count(leads)} of {leads.length} measured{bad(leads) > 0
                ? `, ${bad(leads)} outside`
                : ''}</summary
            >
            {#each leads as row (row.key)}<div id="row-{row.key}">
                <SheetLine {row} next={row.key === nextKey} />
              </div>{/each}
          </details>
        {/if}
      {/if}
    {/each}
    {#if !bringing.stop}<Readings {circuit} /><CurrentLog {circuit} />{/if}
    <TouchProbes />
    <LogPages />
  {:else if !bringing.trouble}<Working
      says="The boards are laid out, then what every hole should show is worked out."
    />{/if}
</Station>
