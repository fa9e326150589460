<!-- A measured current over the round of the plan: steps as planned, dots as measured, decades up the side. -->
<script lang="ts">
  import type { Lane, LogReport, Sample, Timeline } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { formatSpan } from '@idle-breadboard/core/words';
  import { scaleLinear, scaleLog } from 'd3';
  import { type RoundAxis, roundAxis, stepPath } from './round';

  interface Props {
    label: string;
    line: Timeline;
    /** Of the parts below it, which share its axis. */
    lanes: readonly Lane[];
    log: readonly Sample[];
    report: LogReport | null;
  }
  let { label, line, lanes, log, report }: Props = $props();
  const HEIGHT = 150;
  const FLOOR = 1e-6;
  /** So many dots at most. */
  const DOTS = 1500;
  let width = $state(600);
  /** px, where the lanes below begin, too: as wide as their names. */
  let left = $state(154);
  const steps = $derived(line.usual);
  const span = $derived(steps.period > 0 ? steps.period : Math.max(1, log.at(-1)?.time ?? 1));
  /** The axis of the lanes below, where it is the whole round; without a round, the time of the log. */
  const axis = $derived.by((): RoundAxis => {
    const own = roundAxis(lanes, width - left - 4);
    if (own?.every === span) return own;
    return { x: scaleLinear([0, span], [0, width - left - 4]), fold: null, every: span, ticks: [] };
  });
  const x = $derived(axis.x);
  const all = $derived([...steps.value, ...(report ? [report.measured.least, report.measured.most] : [])]);
  const low = $derived(Math.max(FLOOR, Math.min(...all.map((a) => Math.max(a, FLOOR)))));
  const high = $derived(Math.max(low * 10, ...all));
  const y = $derived(scaleLog([low / 1.6, high * 1.6], [HEIGHT - 18, 4]));
  const at = (amps: number) => y(Math.max(amps, FLOOR));
  const decades = $derived(y.ticks(6).filter((tick) => Number.isInteger(Math.round(Math.log10(tick) * 1e6) / 1e6)));
  const path = $derived(stepPath(steps, axis, at));
  const dots = $derived.by(() => {
    const every = Math.max(1, Math.ceil(log.length / DOTS));
    const shift = report?.shift ?? 0;
    return log
      .filter((_, i) => i % every === 0)
      .map(({ time, amps }) => {
        const t = steps.period > 0 ? (((time + shift) % span) + span) % span : time;
        return `M${x(t).toFixed(1)} ${at(amps).toFixed(1)}h.01`;
      })
      .join('');
  });
  const A = (value: number) => formatQuantity(value, 'A');
</script>

<div class="min-w-0" bind:clientWidth={width}>
  <div class="w-[11rem]" bind:clientWidth={left}></div>
  <svg
    viewBox="0 0 {width} {HEIGHT}"
    {width}
    height={HEIGHT}
    role="img"
    aria-label="{label} over {formatSpan(span)}: planned {A(line.average)} on the average{report
      ? `, measured ${A(report.measured.average)}, from ${A(report.measured.least)} to ${A(report.measured.most)}`
      : ''}"
  >
    {#each decades as decade (decade)}
      <path class="stroke-line" d="M{left} {y(decade)}H{width - 4}" />
      <text class="text-mark font-mono fill-quiet" x={left - 4} y={y(decade) + 4} text-anchor="end"
        >{formatQuantity(decade, 'A', 2)}</text
      >
    {/each}
    <g transform="translate({left} 0)">
      <path class="fill-none stroke-copper stroke-[1.8]" d={path} />
      <path class="fill-none stroke-ink stroke-[2.4] [stroke-linecap:round]" d={dots} />
      {#if axis.fold !== null}<path
          class="fill-none stroke-quiet"
          d="M{axis.fold - 3} {HEIGHT - 20}l3 8M{axis.fold + 1} {HEIGHT - 20}l3 8"
        />{/if}
    </g>
    <text class="text-mark font-mono fill-quiet" x={left} y={HEIGHT - 3}>0</text>
    <text class="text-mark font-mono fill-quiet" x={width - 4} y={HEIGHT - 3} text-anchor="end">{formatSpan(span)}</text
    >
  </svg>
</div>
