<!-- The resistance axis: the allowed stretch, the series inside it, what the pull-ups make, and a handle for the plan's own. -->
<script lang="ts">
  import type { PullUpWindow } from '@idle-breadboard/core/circuit';
  import { formatQuantity, type Interval, type SeriesName } from '@idle-breadboard/core/figures';
  import ChartFrame from './ChartFrame.svelte';
  import { windowChart } from './pull-up-window';

  interface Props {
    label: string;
    window: PullUpWindow;
    effective: Interval | null;
    series: SeriesName;
    /** The plan's own resistor, if there is one to be moved. */
    own: number | null;
    onTry?: (ohms: number) => void;
    onTake?: () => void;
    onLeave?: () => void;
  }
  let { label, window, effective, series, own, onTry, onTake, onLeave }: Props = $props();
  let width = $state(300);
  let svg = $state<SVGSVGElement>();
  let dragging = $state(false);
  const chart = $derived(windowChart(window, effective, series, width));
  const R = (x: number) => formatQuantity(x, 'Ω');
  const words = $derived(
    `${label}: ${chart.allowed ? `${R(window.min)} to ${R(window.max)} allowed` : 'no value is allowed'}${effective ? `, ${R(effective.typ)} fitted` : ', none fitted'}`,
  );

  function at(event: PointerEvent): number {
    const box = svg?.getBoundingClientRect();
    return chart.nearest(event.clientX - (box?.left ?? 0));
  }

  function move(event: PointerEvent) {
    if (dragging) onTry?.(at(event));
  }

  function key(event: KeyboardEvent) {
    if (own === null) return;
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (by === 1 || by === -1) onTry?.(chart.step(own, by));
    else if (event.key === 'Enter') onTake?.();
    else if (event.key === 'Escape') onLeave?.();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<ChartFrame
  caption="Pull-up window of {label}"
  heads={['figure', 'value']}
  rows={[
    ['strongest allowed', chart.allowed ? R(window.min) : 'none'],
    ['weakest allowed', chart.allowed ? R(window.max) : 'none'],
    ...(effective ? [['together', `${R(effective.min)} to ${R(effective.max)}`]] : []),
    ['values of the series inside', window.values.map(R).join(', ') || 'none'],
    ['my rules take', window.choice === null ? 'none' : R(window.choice)],
  ]}
  bind:width
>
  <svg
    class="block touch-none"
    bind:this={svg}
    viewBox="0 0 {width} 44"
    {width}
    height="44"
    role="group"
    aria-label={words}
    onpointermove={move}
    onpointerup={() => (dragging = false)}
    onpointerleave={() => (dragging = false)}
  >
    {#if chart.allowed}
      <rect
        x={chart.allowed.from}
        y="8"
        width={chart.allowed.to - chart.allowed.from}
        height="14"
        class="fill-pass [fill-opacity:22%]"
      />
    {/if}
    <path d="M0 22.5H{width}" stroke="var(--quiet)" />
    {#each chart.series as tick (tick.ohms)}
      <path d="M{tick.x} {tick.inside ? 15 : 19}V22" stroke={tick.inside ? 'var(--ink)' : 'var(--line)'} />
      {#if tick.text}<text class="text-mark font-mono fill-ink" x={tick.x} y="33" text-anchor="middle">{tick.text}</text
        >{/if}
    {/each}
    {#each chart.decades as decade (decade.text)}
      <text
        class="text-mark font-mono fill-quiet text-aside"
        x={decade.x}
        y="43"
        text-anchor={decade.x > width - 24 ? 'end' : 'middle'}>{decade.text}</text
      >
    {/each}
    {#if chart.choice}<path
        d="M{chart.choice.x - 4} 27l4-4 4 4"
        fill="none"
        stroke="var(--copper)"
        stroke-width="1.5"
      />{/if}
    {#if chart.effective}
      <path
        d="M{chart.effective.from} 5H{chart.effective.to}"
        stroke="var(--{chart.effective.inside ? 'pass' : 'fault'})"
        stroke-width="4"
        stroke-dasharray={chart.effective.inside ? undefined : '3 2'}
      />
      <path
        d="M{chart.effective.at} 1V22"
        stroke="var(--{chart.effective.inside ? 'pass' : 'fault'})"
        stroke-width="1.5"
      />
    {/if}
    {#if own !== null}
      <g
        class="cursor-ew-resize focus-visible:outline-2 focus-visible:outline-copper focus-visible:outline-offset-1"
        role="slider"
        tabindex="0"
        aria-label="resistor on {label}"
        aria-valuemin={300}
        aria-valuemax={100000}
        aria-valuenow={own}
        aria-valuetext={R(own)}
        transform="translate({chart.xOf(own)} 0)"
        onpointerdown={(event) => {
          dragging = true;
          svg?.setPointerCapture(event.pointerId);
          event.preventDefault();
        }}
        onkeydown={key}
      >
        <rect x="-12" y="0" width="24" height="26" fill="transparent" />
        <path d="M-8 13h2l1.5-4 3 8 3-8 3 8 1.5-4h2" class="fill-none stroke-copper stroke-2 [stroke-linejoin:round]" />
      </g>
    {/if}
  </svg>
</ChartFrame>
