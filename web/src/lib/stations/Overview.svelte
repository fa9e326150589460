<!-- The whole build as one picture: feeds as a tree, a row for each bus or line, a column for each place. It is the map of the plan. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import {
    ASCENT,
    bandsOf,
    belongingTo,
    layOut,
    markShape,
    type Of,
    overviewOf,
    overviewTable,
    RIBBON,
    type Shape,
    STROKE_GAP,
    thingKey,
  } from '@idle-breadboard/core/overview';
  import type { Verdict } from '@idle-breadboard/core/verify';
  import Maximize from '@lucide/svelte/icons/maximize-2';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import ChartTable from '../charts/ChartTable.svelte';
  import { findings } from '../state/results';
  import { view, type ViewId } from '../state/view.svelte';

  let { circuit, verdict }: { circuit: Circuit; verdict: Verdict } = $props();

  const STEPS = [0.5, 0.6, 0.75, 0.9, 1, 1.25, 1.5, 2];

  const overview = $derived(overviewOf(circuit, verdict));
  const drawing = $derived(layOut(overview));
  type Line = Extract<Shape, { is: 'line' }>;
  const lines = $derived(drawing.shapes.filter((shape): shape is Line => shape.is === 'line'));
  const signals = $derived(lines.filter(({ role }) => role === 'signal'));
  const singles = $derived(signals.filter(({ strokes }) => strokes <= 1));
  const feeds = $derived(lines.filter(({ role }) => role === 'feed'));
  const ribbons = $derived(signals.filter(({ strokes }) => strokes > 1));
  const backs = $derived(
    drawing.shapes.filter((shape) => shape.is === 'box').filter(({ role }) => role === 'column' || role === 'hub'),
  );
  /** What can be pointed at, each with its shapes, in the order in which it is drawn. */
  const things = $derived(
    [
      ...Map.groupBy(
        drawing.shapes.filter(
          (shape) => shape.is !== 'line' && !(shape.is === 'box' && (shape.role === 'column' || shape.role === 'hub')),
        ),
        ({ of }) => thingKey(of),
      ),
    ].flatMap(([key, shapes]) => {
      const of = shapes[0]?.of;
      return of ? [{ key, of, shapes }] : [];
    }),
  );
  const isThing = ({ kind }: Of): boolean => kind !== 'column' && kind !== 'legend';
  let pointed = $state<Of | null>(null);
  const belonging = $derived(
    pointed && pointed.kind !== 'column' && pointed.kind !== 'legend'
      ? belongingTo(overview, { kind: pointed.kind, id: pointed.id })
      : null,
  );
  const isFaint = (of: Of): boolean =>
    belonging !== null && isThing(of) && of.kind !== 'hub' && !belonging.has(thingKey(of));
  /** A line of a branch is of the part; the line itself of its row. */
  const isFaintLine = (line: Line): boolean =>
    belonging !== null &&
    !belonging.has(thingKey(line.of)) &&
    !(line.of.kind === 'row' && belonging.has(`row ${line.net}`));

  const STATION: Readonly<Record<Of['kind'], ViewId>> = {
    rail: 'power',
    hub: 'control',
    row: 'pins',
    part: 'levels',
    column: 'need',
    legend: 'overview',
  };
  /** The finding that is drawn at a thing comes first; else its row at its station. */
  function go({ kind, id }: Of, shapes: readonly Shape[]) {
    const mark = shapes.find((shape) => shape.is === 'mark');
    const finding = mark && findings().find(({ key }) => key === mark.key);
    if (finding) view.select(finding);
    else
      view.about(
        id,
        kind === 'row' && overview.rows.some((row) => row.id === id && row.kind === 'bus') ? 'bus' : STATION[kind],
      );
  }

  let zoom = $state(1);
  let frame = $state<HTMLElement>();
  const step = (by: 1 | -1) => {
    const next = by > 0 ? STEPS.find((one) => one > zoom + 0.01) : STEPS.findLast((one) => one < zoom - 0.01);
    zoom = next ?? zoom;
  };
  const fit = () => (zoom = Math.min(1, Math.max(0.25, ((frame?.clientWidth ?? drawing.width) - 4) / drawing.width)));
  const path = ({ points }: Line) => points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x},${y}`).join(' ');

  const HEADS = ['row', 'pins', 'place', 'part', 'address', 'feed', 'margin', 'found'] as const;
  const table = $derived(overviewTable(overview).map((line) => HEADS.map((head) => line[head])));
</script>

<section class="overview" aria-label="Overview">
  <header>
    <h1>Overview</h1>
    <span class="unit">the whole build: point at a thing to see what belongs to it, press to go there</span>
    <span class="tools">
      <button type="button" class="act bare" aria-label="smaller" onclick={() => step(-1)}><Minus size={14} /></button>
      <span class="value" aria-live="polite">{Math.round(zoom * 100)} %</span>
      <button type="button" class="act bare" aria-label="larger" onclick={() => step(1)}><Plus size={14} /></button>
      <button type="button" class="act" onclick={fit}><Maximize size={13} />fit</button>
      <ChartTable caption="the build, part by part" heads={HEADS} rows={table} />
    </span>
  </header>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="frame" bind:this={frame} role="region" aria-label="the picture of the build" tabindex="0">
    <svg
      width={drawing.width * zoom}
      height={drawing.height * zoom}
      viewBox="0 0 {drawing.width} {drawing.height}"
      role="group"
      aria-label="the build, drawn"
    >
      {#each backs as { role, x, y, w, h }, i (i)}<rect class={role} {x} {y} width={w} height={h} rx="2" />{/each}
      <g class="lines">
        {#each singles as line, i (i)}<path d={path(line)} class="single" class:faint={isFaintLine(line)} />{/each}
        {#each ribbons as line, i (i)}<path
            d={path(line)}
            class="outer"
            class:faint={isFaintLine(line)}
            stroke-width={RIBBON.outer}
          />{/each}
        {#each ribbons as line, i (i)}<path d={path(line)} class="inner" stroke-width={RIBBON.inner} />{/each}
        {#each feeds as line, i (i)}
          {#each bandsOf(line.strokes) as { width, dark }, k (k)}
            <path
              d={path(line)}
              class={dark ? 'feed-line' : 'inner'}
              class:faint={dark && isFaintLine(line)}
              stroke-width={width}
            />
          {/each}
        {/each}
      </g>
      {#each things as { key, of, shapes } (key)}
        {@const active = isThing(of)}
        <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
        <g
          class="thing"
          class:faint={isFaint(of)}
          class:active
          data-thing={key}
          role={active ? 'button' : undefined}
          tabindex={active ? 0 : undefined}
          onpointerenter={() => (pointed = active ? of : null)}
          onpointerleave={() => (pointed = null)}
          onfocus={() => (pointed = active ? of : null)}
          onblur={() => (pointed = null)}
          onclick={() => active && go(of, shapes)}
          onkeydown={(event) => {
            if (!active || (event.key !== 'Enter' && event.key !== ' ')) return;
            event.preventDefault();
            go(of, shapes);
          }}
        >
          <!-- Its name is what stands in it; a blank parts the words. -->
          <g>
            {#each shapes as shape, i (i)}
              {#if shape.is === 'box'}
                <rect class={shape.role} x={shape.x} y={shape.y} width={shape.w} height={shape.h} rx="2" />
              {:else if shape.is === 'text'}
                <text
                  class="{shape.face} {shape.tone}"
                  x={shape.x}
                  y={shape.y + shape.size * ASCENT}
                  font-size={shape.size}
                  >{`${shape.text} `}{#if shape.text !== shape.full}<title>{shape.full}</title>{/if}</text
                >
              {:else if shape.is === 'mark'}
                <svg
                  class="mark {shape.severity}"
                  x={shape.x}
                  y={shape.y}
                  width={shape.w}
                  height={shape.h}
                  viewBox="0 0 24 16"
                >
                  <!-- eslint-disable-next-line svelte/no-at-html-tags -- shapes of our own, nothing that anybody typed -->
                  {@html markShape(shape.severity, 'var(--raised)')}
                </svg>
              {:else if shape.is === 'flag'}
                {#each { length: shape.strokes } as _, k (k)}<path
                    class="flag"
                    d="M{shape.x + k * STROKE_GAP},{shape.y} v{shape.h}"
                  />{/each}
              {/if}
            {/each}
          </g>
        </g>
      {/each}
    </svg>
  </div>
</section>

<style>
  .overview {
    display: flex;
    flex-direction: column;
    height: 100%;
  }
  header {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 10px;
    align-items: center;
    padding: 5px 12px;
    background: var(--bench);
    border-bottom: 1px solid var(--quiet);
  }
  h1 {
    margin: 0;
    font-size: 1rem;
    font-weight: 650;
  }
  .tools {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 4px;
    align-items: center;
    margin-left: auto;
  }
  .frame {
    flex: 1;
    min-height: 0;
    overflow: auto;
  }
  svg {
    display: block;
    font-family: var(--font-sans, inherit);
  }
  path {
    fill: none;
    stroke-linejoin: round;
  }
  .single,
  .outer {
    stroke: var(--ink);
  }
  .single {
    stroke-width: 1.4;
  }
  .inner {
    stroke: var(--board);
  }
  .feed-line,
  .flag {
    stroke: var(--copper);
  }
  .flag {
    stroke-width: 1.6;
  }
  rect {
    fill: var(--raised);
    stroke: var(--ink);
    stroke-width: 1.2;
  }
  rect.column {
    fill: var(--bench);
    stroke: none;
  }
  rect.rail,
  rect.gate {
    fill: var(--board);
    stroke-width: 1;
  }
  rect.gate {
    stroke-dasharray: 3 2;
  }
  rect.hub {
    stroke-width: 1.6;
  }
  text {
    fill: var(--ink);
  }
  .strong {
    font-weight: 600;
  }
  .mono {
    font-family: var(--font-mono);
  }
  text.quiet {
    fill: var(--quiet);
  }
  text.pass {
    fill: var(--pass);
  }
  text.danger {
    fill: var(--danger);
  }
  text.fault {
    fill: var(--fault);
  }
  text.caution {
    fill: var(--caution);
  }
  text.note {
    fill: var(--note);
  }
  .mark.danger {
    color: var(--danger);
  }
  .mark.fault {
    color: var(--fault);
  }
  .mark.caution {
    color: var(--caution);
  }
  .mark.note {
    color: var(--note);
  }
  .active {
    cursor: pointer;
  }
  .active:focus-visible {
    outline: 2px solid var(--copper);
    outline-offset: 2px;
  }
  .active:hover rect.part,
  .active:hover rect.feed,
  .active:hover rect.rail {
    stroke: var(--copper);
    stroke-width: 2;
  }
  .faint {
    opacity: 0.28;
  }
</style>
