<!-- The whole build as one picture: feeds as a tree, a row for each bus or line, a column for each place. It is the map of the plan. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import {
    bandsOf,
    belongingTo,
    between,
    layNarrow,
    layOut,
    type Of,
    overviewOf,
    overviewTable,
    RIBBON,
    type Shape,
    thingKey,
    thingSays,
  } from '@idle-breadboard/core/overview';
  import type { Verdict } from '@idle-breadboard/core/verify';
  import Maximize from '@lucide/svelte/icons/maximize-2';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import ChartTable from '../charts/ChartTable.svelte';
  import { BOX_LOOK } from '../charts/overview-looks';
  import OverviewThing from '../charts/OverviewThing.svelte';
  import Tick from '../kit/Tick.svelte';
  import OpenFinding from '../kit/OpenFinding.svelte';
  import { previewing } from '../state/previewing.svelte';
  import { findings } from '../state/results';
  import type { ViewId } from '../state/view-ids';
  import { view } from '../state/view.svelte';

  let { circuit, verdict }: { circuit: Circuit; verdict: Verdict } = $props();

  const STEPS = [0.5, 0.6, 0.75, 0.9, 1, 1.25, 1.5, 2];

  const current = $derived(overviewOf(circuit, verdict));
  /** What a remedy in hand would change: drawn before it is taken. */
  const both = $derived(previewing.picture && between(current, previewing.picture));
  const overview = $derived(both?.overview ?? current);
  const changeOf = (key: string) => both?.changes.get(key);
  let room = $state(0);
  /** Of all of the station: what opens below the picture does not change how large it is drawn. */
  let high = $state(0);
  const HEADER = 40;
  /** A window that holds no two places beside each other has them one below the other. */
  const NARROW = 640;
  /** Letters of 12 px are drawn at no less than 11. */
  const LEAST_ZOOM = 0.92;
  const isNarrow = $derived(room > 0 && room < NARROW);
  const fits = ({ width }: { width: number }) => room === 0 || (width + 4) * LEAST_ZOOM <= room;
  /** Where all figures are wider than the window, names and findings stand alone until the figures are asked for. */
  let figures = $state(false);
  const full = $derived(layOut(overview));
  const whole = $derived(fits(full));
  const isBrief = $derived(!isNarrow && !whole && !figures);
  const drawing = $derived.by(() => {
    if (isNarrow) return layNarrow(overview);
    return isBrief ? layOut(overview, 'brief') : full;
  });
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
  /** The thing at which the finding that is open is drawn: its way is shown while nothing else is pointed at. */
  const held = $derived(
    things.find(({ shapes }) => shapes.some((shape) => shape.is === 'mark' && shape.key === view.opened?.key))?.of ??
      null,
  );
  const belonging = $derived.by(() => {
    const of = pointed ?? held;
    return of && of.kind !== 'column' && of.kind !== 'legend'
      ? belongingTo(overview, { kind: of.kind, id: of.id })
      : null;
  });
  $effect(() => {
    if (held)
      frame
        ?.querySelector(`[data-thing="${CSS.escape(thingKey(held))}"]`)
        ?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  });
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
    if (finding) {
      view.goTo(finding.station);
      view.select(finding, { focus: true });
    } else
      view.about(
        id,
        kind === 'row' && overview.rows.some((row) => row.id === id && row.kind === 'bus') ? 'bus' : STATION[kind],
      );
  }

  /** Set by hand; else as wide as the window, if all can be read then. */
  let wanted = $state<number | null>(null);
  const zoom = $derived.by(() => {
    if (wanted !== null) return wanted;
    const most = Math.min((room - 4) / drawing.width, (high - HEADER) / drawing.height);
    return isNarrow ? 1 : Math.min(1, Math.max(LEAST_ZOOM, most));
  });
  let frame = $state<HTMLElement>();
  const step = (by: 1 | -1) => {
    const next = by > 0 ? STEPS.find((one) => one > zoom + 0.01) : STEPS.findLast((one) => one < zoom - 0.01);
    wanted = next ?? zoom;
  };
  const fit = () => (wanted = Math.min(1, Math.max(0.25, (room - 4) / drawing.width)));
  function show(all: boolean) {
    figures = all;
    wanted = null;
  }
  /** What is pointed at, in words: the brief picture leaves its figures out. */
  const said = $derived(pointed && thingSays(overview, pointed));
  const path = ({ points }: Line) => points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x},${y}`).join(' ');

  const HEADS = ['row', 'pins', 'place', 'part', 'address', 'feed', 'margin', 'found'] as const;
  const table = $derived(overviewTable(overview).map((line) => HEADS.map((head) => line[head])));
</script>

<section class="overview flex flex-col h-full" aria-label="Overview" bind:clientHeight={high}>
  <header class="flex flex-wrap gap-x-2.5 gap-y-0.5 items-center py-1 px-3 bg-bench border-b border-b-quiet">
    <h1 class="text-row font-semibold">Overview</h1>
    <span class="unit">{said ?? 'the whole build: point at a thing to see what belongs to it, press to go there'}</span>
    <span class="inline-flex flex-wrap gap-1 items-center ml-auto">
      <Button kind="bare" aria-label="smaller" onclick={() => step(-1)}><Minus size={14} /></Button>
      <span class="value" aria-live="polite">{Math.round(zoom * 100)} %</span>
      <Button kind="bare" aria-label="larger" onclick={() => step(1)}><Plus size={14} /></Button>
      {#if !whole && !isNarrow}<label class="inline-flex items-center gap-1"
          ><Tick checked={figures} change={show} />all figures</label
        >{/if}
      <Button onclick={fit}><Maximize size={13} />fit</Button>
      <ChartTable caption="the build, part by part" heads={HEADS} rows={table} />
    </span>
  </header>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div
    class="frame flex-1 min-h-0 overflow-auto"
    bind:this={frame}
    bind:clientWidth={room}
    role="region"
    aria-label="the picture of the build"
    tabindex="0"
  >
    <svg
      class="block font-sans"
      width={drawing.width * zoom}
      height={drawing.height * zoom}
      viewBox="0 0 {drawing.width} {drawing.height}"
      role="group"
      aria-label="the build, drawn"
    >
      {#each backs as { role, x, y, w, h }, i (i)}<rect
          class={BOX_LOOK[role]}
          {x}
          {y}
          width={w}
          height={h}
          rx="2"
        />{/each}
      <g>
        {#each singles as line, i (i)}<path
            d={path(line)}
            class="fill-none [stroke-linejoin:round] stroke-ink stroke-[1.4] data-faint:opacity-28"
            data-faint={isFaintLine(line) || undefined}
          />{/each}
        {#each ribbons as line, i (i)}<path
            d={path(line)}
            class="fill-none [stroke-linejoin:round] stroke-ink data-faint:opacity-28"
            data-faint={isFaintLine(line) || undefined}
            stroke-width={RIBBON.outer}
          />{/each}
        {#each ribbons as line, i (i)}<path
            d={path(line)}
            class="fill-none stroke-board [stroke-linejoin:round]"
            stroke-width={RIBBON.inner}
          />{/each}
        {#each feeds as line, i (i)}
          {#each bandsOf(line.strokes) as { width, dark }, k (k)}
            <path
              d={path(line)}
              class="{dark ? 'stroke-copper' : 'stroke-board'} fill-none [stroke-linejoin:round] data-faint:opacity-28"
              data-faint={(dark && isFaintLine(line)) || undefined}
              stroke-width={width}
            />
          {/each}
        {/each}
      </g>
      {#each things as { key, of, shapes } (key)}
        {@const active = isThing(of)}
        {@const change = changeOf(key)}
        <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
        <g
          class="group/thing data-active:cursor-pointer data-faint:opacity-28 data-active:focus-visible:outline-2 data-active:focus-visible:outline-copper data-active:focus-visible:outline-offset-2"
          data-faint={isFaint(of) || undefined}
          data-active={active || undefined}
          data-thing={key}
          data-change={change}
          role={active ? 'button' : undefined}
          {...active && isBrief ? { 'aria-description': thingSays(overview, of) } : {}}
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
          <OverviewThing {shapes} {change} isRow={of.kind === 'row'} />
        </g>
      {/each}
    </svg>
  </div>
  {#if view.opened}<div class="flex-none max-h-[46%] overflow-y-auto px-2.5 border-t border-t-quiet bg-board">
      <OpenFinding result={view.opened} />
    </div>{/if}
</section>
