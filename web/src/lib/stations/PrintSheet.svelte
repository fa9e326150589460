<!-- What goes on paper, A4 or Letter, in colour or black and white: the wiring plan with boxes to tick, and the parts list. -->
<script lang="ts">
  import { columnsOf, layNarrow, layOut, overviewOf, overviewSvg } from '@idle-breadboard/core/overview';
  import {
    BENCH_RULE,
    boardDrawing,
    boardMap,
    frameOf,
    leadNumbers,
    piecesOf,
    type Build,
    type WiringStep,
  } from '@idle-breadboard/core/deliver';
  import { boardSvg } from '@idle-breadboard/core/files';
  import { isBlocking, standingOf } from '@idle-breadboard/core/verify';
  import { counted, sayUnread, say } from '@idle-breadboard/core/words';
  import { laying } from '../state/laying.svelte';
  import { passes } from '../state/results';
  import { view } from '../state/view.svelte';
  import type { Study } from '../worker/study';
  import PrintParts from './PrintParts.svelte';
  import PrintStep from './PrintStep.svelte';

  let { study }: { study: Study } = $props();
  const plan = $derived(study.circuit.plan);
  const verdict = $derived(study.verdict);
  const open = $derived(verdict.findings.filter(isBlocking));
  const build = $derived<Build | null>(laying.stale ? null : laying.build);
  const standing = $derived(build?.proof?.agrees === true ? standingOf(verdict) : 'open');
  const drawing = $derived(build?.layout ? boardDrawing(study.circuit, build.layout) : null);
  /** A page takes a drawing that is this wide, or columns that are this high, px. */
  const PAGE = { width: 900, height: 930 };
  /** The whole build on the first page: as wide as the paper, or in columns, so that it can be read. */
  const overview = $derived.by(() => {
    const pictured = overviewOf(study.circuit, verdict);
    const wide = layOut(pictured);
    if (wide.width <= PAGE.width) return [overviewSvg(wide, plan.name)];
    const narrow = layNarrow(pictured);
    return columnsOf(narrow, PAGE.height).map((strip) => overviewSvg(narrow, plan.name, { strip }));
  });
  const done = $derived(new Set(plan.done));

  const numbers = $derived(leadNumbers(build?.wiring.steps ?? []));
  /** Steps of the grid across a page, so that what is written can be read. */
  const ACROSS = 96;
  const bare = (svg: string) => svg.slice(svg.indexOf('<svg'));
  const wholePieces = $derived.by(() => {
    if (!drawing) return [];
    const map = boardMap(drawing, numbers);
    return piecesOf(map, ACROSS).map((frame) => bare(boardSvg(map, { title: plan.name, frame })));
  });
  /** What the step is about, and no more. */
  const picture = (step: WiringStep): string => {
    if (!drawing || step.leads.length === 0) return '';
    const keys = new Set(step.leads.map(({ key }) => key));
    const parts = new Set(step.subjects);
    const map = boardMap(drawing, numbers, keys);
    return bare(boardSvg(map, { title: say(step.title), frame: frameOf(map, keys, parts), parts }));
  };
</script>

<article class="print-only">
  <h1>{plan.name}</h1>
  <p>
    {standing === 'verified'
      ? `Verified, ${counted(passes().length, 'proof')}, ${counted(verdict.assumed, 'rests', 'rest')} on assumed figures; the wiring was read back and agrees with the circuit`
      : standing === 'unread'
        ? `PROVED, NOT YET VERIFIED: ${sayUnread(verdict.unread.length)} Read them below before you wire this`
        : verdict.status === 'verified'
          ? 'NOT PROVEN: the wiring is not laid out, or was not read back as the circuit. Do not wire this.'
          : `OPEN: ${open.length} to settle. Do not wire this.`} · fingerprint
    <span class="value">{study.fingerprint}</span>
  </p>
  <section
    class="overview grid gap-[4mm] items-start data-columns:grid-cols-2"
    data-columns={overview.length > 1 || undefined}
    aria-label="the whole build"
  >
    {#each overview as picture, i (i)}
      <!-- eslint-disable-next-line svelte/no-at-html-tags -- drawn by the core, every word of it escaped -->
      <div class="break-inside-avoid">{@html picture}</div>
    {/each}
  </section>
  {#each open as finding (finding.key)}<p><strong>{finding.severity}</strong>: {say(finding.message)}</p>{/each}
  {#if build?.why}<p>{say(build.why.says)}</p>{/if}
  {#each build?.proof?.mismatches ?? [] as mismatch, i (i)}<p>{say(mismatch.says)}</p>{/each}
  {#if build && view.station !== 'parts'}
    <h2>Safety</h2>
    <ul>
      {#each build.wiring.cautions as caution (caution.says)}<li>
          {#if caution.asks}<span aria-label={caution.read ? 'read' : 'not read'}>{caution.read ? '☑' : '☐'}</span>{/if}
          <strong>{caution.hazard}</strong>, {say(caution.labels)}: {caution.says}
        </li>{/each}
      <li>{say(BENCH_RULE)}</li>
    </ul>
    {#if drawing}
      <section>
        <h2>The whole build</h2>
        <p>
          A lead that found no way clear of the others is not drawn: its number stands at both its ends, as in the
          steps.
        </p>
        {#each wholePieces as piece, i (i)}
          <!-- eslint-disable-next-line svelte/no-at-html-tags -- made by the core, every text in it escaped -->
          <div class="whole break-inside-avoid">{@html piece}</div>
        {/each}
      </section>
    {/if}
    <h2>Wiring plan</h2>
    {#each build.wiring.steps as step, i (step.key)}
      <PrintStep {step} number={i + 1} done={done.has(step.key)} picture={picture(step)} />
    {/each}
    {#if build.wiring.checklist.length > 0}
      <h2>Before power</h2>
      <ul class="[list-style:'☐_'] pl-[1.3em]">
        {#each build.wiring.checklist as says (says)}<li>{say(says)}</li>{/each}
      </ul>
    {/if}
    {#if build.wiring.harness.length > 0}
      <h2>Where colours meet</h2>
      <table>
        <thead><tr><th>Where</th><th>Line</th><th>Wires</th></tr></thead>
        <tbody>
          {#each build.wiring.harness as change, i (i)}
            <tr>
              <td>{say(change.where)}</td><td>{say(change.line)}</td>
              <td>{change.wires.map(({ colour, to }) => `${colour} to ${say(to)}`).join('; ')}</td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/if}
  {/if}
  {#if build}<PrintParts parts={build.parts} />{:else}<p>
      The boards are being laid out; print again in a moment.
    </p>{/if}
</article>

<style>
  .overview > div > :global(svg) {
    width: 100%;
    height: auto;
    max-height: 246mm;
  }
  .whole :global(svg) {
    width: 100%;
    height: auto;
    max-height: 230mm;
  }
</style>
