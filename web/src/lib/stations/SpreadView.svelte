<!-- How the rise time spreads when every figure is drawn between its ends: asked for, worked out beside, cancelled at will. -->
<script lang="ts">
  import ProgressLine from '../kit/ProgressLine.svelte';
  import Button from '../kit/Button.svelte';
  import type { EdgeSpread, Net } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { say } from '@idle-breadboard/core/words';
  import ChartTable from '../charts/ChartTable.svelte';
  import { spreadBars } from '../charts/spread-bars';
  import { workbench } from '../state/workbench.svelte';
  import type { SpreadWorker } from '../worker/spread';
  import { Thread } from '../worker/thread';
  import { threads } from '../worker/threads';

  let { net, allowed }: { net: Net; allowed: number } = $props();
  const DRAWS = 2000;
  const thread = new Thread<SpreadWorker>(threads.spread);
  let done = $state<number | null>(null);
  let found = $state.raw<EdgeSpread | null>(null);
  let width = $state(300);
  const HEIGHT = 62;
  const chart = $derived(found && found.seconds.length > 0 ? spreadBars(found.seconds, allowed, width, HEIGHT) : null);
  const at = (share: number) => found?.seconds[Math.floor(share * (found.seconds.length - 1))] ?? 0;
  const late = $derived((found?.seconds.filter((s) => s > allowed).length ?? 0) + (found?.stuck ?? 0));
  const S = (x: number) => formatQuantity(x, 's', 3);

  async function run() {
    const document = workbench.document;
    if (!document) return;
    stop();
    done = 0;
    const result = await thread.newest((calls, whileNewest) =>
      calls.spread(
        document,
        net.id,
        DRAWS,
        whileNewest((n) => (done = n)),
      ),
    );
    if (!result) return;
    found = result;
    stop();
  }

  function stop() {
    thread.end();
    done = null;
  }

  // A spread of another plan says nothing about this one.
  $effect(() => {
    void workbench.study;
    return () => {
      stop();
      found = null;
    };
  });
</script>

<div class="w-full min-w-0 flex flex-wrap items-center gap-x-2.5 gap-y-0.5" bind:clientWidth={width}>
  {#if done !== null}
    <ProgressLine label="drawing the spread of {say(net.label)}" value={done} most={DRAWS} class="w-[12em]" />
    <Button onclick={stop}>Stop</Button>
  {:else if !found}
    <Button kind="bare" onclick={run}>spread of {DRAWS.toLocaleString('en')} draws</Button>
  {/if}
  {#if chart && found}
    <svg
      class="basis-full block"
      viewBox="0 0 {width} {HEIGHT}"
      {width}
      height={HEIGHT}
      role="img"
      aria-label="{found.drawn} draws of {say(net.label)}: nine in ten between {S(at(0.05))} and {S(
        at(0.95),
      )}, {late} too slow"
    >
      {#each chart.bars as bar (bar.x)}<rect
          class="fill-copper data-over:fill-fault"
          x={bar.x}
          y={bar.y}
          width={bar.width}
          height={bar.height}
          data-over={bar.over || undefined}
        />{/each}
      <path d="M{chart.limit} 0V{HEIGHT - 12}" stroke="var(--ink)" stroke-width="1.5" />
      {#each chart.ticks as tick (tick.x)}<text
          class="text-mark font-mono fill-quiet"
          x={tick.x}
          y={HEIGHT - 2}
          text-anchor={tick.x < 16 ? 'start' : 'middle'}>{S(tick.seconds)}</text
        >{/each}
    </svg>
    <span class="unit">
      {found.drawn.toLocaleString('en')} draws: nine in ten from {S(at(0.05))} to {S(at(0.95))}, {late === 0
        ? 'none'
        : late} too slow
    </span>
    <ChartTable
      caption="Spread of {say(net.label)}"
      heads={['share of draws', 'rise time at most']}
      rows={[0.05, 0.25, 0.5, 0.75, 0.95, 1].map((share) => [`${share * 100} %`, S(at(share))])}
    />
  {/if}
</div>
