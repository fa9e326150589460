<!-- Each dot a whole set that nothing beats. Arrow keys walk along the cost; the table beside says the same. -->
<script lang="ts">
  import { sized } from '../kit/sized';
  import Select from '../kit/Select.svelte';
  import type { FoundSet, SetFigures } from '@idle-breadboard/core/solve';
  import { FIGURE_NAME, figureText } from '../state/sets.svelte';
  import { SPREAD, spreadOf } from './set-spread';

  interface Props {
    sets: readonly FoundSet[];
    chosen: number;
    currency: string;
    choose: (index: number) => void;
  }
  let { sets, chosen, currency, choose }: Props = $props();
  let width = $state(480);
  const UPWARDS = ['error', 'current', 'rows', 'arrival'] as const;
  let by = $state<keyof SetFigures>('error');
  const height = 330;
  const drawn = $derived(spreadOf(sets, by, Math.max(260, width), height));
  const along = $derived([...drawn.points].sort((a, b) => a.x - b.x || a.y - b.y));
  const figures = $derived(sets[chosen]?.evaluation.figures);

  function walk(event: KeyboardEvent) {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const at = along.findIndex(({ index }) => index === chosen);
    const next = along[Math.min(along.length - 1, Math.max(0, at + step))];
    if (next) choose(next.index);
  }
</script>

<div class="w-full" {@attach sized((w) => (width = w))}>
  <span class="unit"
    >cost against
    <Select
      label="figure upwards"
      value={by}
      choices={UPWARDS.map((key) => ({ value: key, label: FIGURE_NAME[key] }))}
      change={(to) => (by = UPWARDS.find((key) => key === to) ?? by)}
    /></span
  >
  <div
    role="slider"
    tabindex="0"
    aria-label="set, along the cost"
    aria-valuemin={1}
    aria-valuemax={sets.length}
    aria-valuenow={along.findIndex(({ index }) => index === chosen) + 1}
    aria-valuetext={figures
      ? `${figureText('cost', figures.cost)} ${currency}, ${FIGURE_NAME[by]} ${figureText(by, figures[by])}`
      : ''}
    onkeydown={walk}
  >
    <svg viewBox="0 0 {Math.max(260, width)} {height}" {height} width="100%" aria-hidden="true">
      {#each drawn.yTicks as tick (tick.value)}
        <path d="M{SPREAD.left} {tick.at}H{Math.max(260, width) - SPREAD.right}" stroke="var(--line)" />
        <text class="text-mark font-mono fill-quiet" x={SPREAD.left - 6} y={tick.at + 3.5} text-anchor="end"
          >{figureText(by, tick.value)}</text
        >
      {/each}
      {#each drawn.xTicks as tick (tick.value)}
        <text class="text-mark font-mono fill-quiet" x={tick.at} y={height - 8} text-anchor="middle">{tick.value}</text>
      {/each}
      <path
        d="M{SPREAD.left} {SPREAD.top}V{height - SPREAD.bottom}H{Math.max(260, width) - SPREAD.right}"
        fill="none"
        stroke="var(--quiet)"
      />
      {#each drawn.points as point (point.index)}
        <circle
          class="cursor-pointer"
          role="presentation"
          cx={point.x}
          cy={point.y}
          r={point.index === chosen ? 7 : 4}
          fill={point.index === chosen ? 'var(--copper)' : 'var(--board)'}
          stroke="var(--copper)"
          stroke-width="1.6"
          onclick={() => choose(point.index)}
        />
      {/each}
    </svg>
  </div>
</div>
