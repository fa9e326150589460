<!-- The boards with the two probes of the line in hand, or with the part that it is about. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { boardDrawing, boardMap, frameOf, leadNumbers, pointsOf, probesOn } from '@idle-breadboard/core/deliver';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { saysExpected, saysReading, say } from '@idle-breadboard/core/words';
  import BoardMap from '../charts/BoardMap.svelte';
  import Button from '../kit/Button.svelte';
  import { bringing } from '../state/bringing.svelte';
  import { metering } from '../state/metering.svelte';
  import { laying } from '../state/laying.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  /** Pixels to a step at which holes and names can be told apart. */
  const READ = 8.5;
  const row = $derived(bringing.current);
  const layout = $derived(laying.stale ? null : (laying.build?.layout ?? null));
  const drawing = $derived(layout && boardDrawing(circuit, layout));
  const numbers = $derived(leadNumbers(laying.build?.wiring.steps ?? []));
  /** Leads of what is measured, or of the part that it is about. */
  const keys = $derived(
    new Set(
      (layout?.leads ?? [])
        .filter(({ of, from, to }) =>
          (row?.subjects ?? []).some(
            (id) => of === id || (!row?.probes && [from, to].some((end) => end.kind === 'terminal' && end.part === id)),
          ),
        )
        .map(({ key }) => key),
    ),
  );
  const map = $derived(drawing && boardMap(drawing, numbers, keys));
  const probes = $derived(row?.probes && drawing && layout ? probesOn(drawing, layout, row.probes) : []);
  const parts = $derived(
    new Set((drawing?.parts ?? []).map(({ part }) => part).filter((part) => row?.subjects.includes(part))),
  );
  /** Parts beside the boards that a probe is on are seen whole, with their names. */
  const touched = $derived(
    new Set(
      [row?.probes?.red, row?.probes?.black].flatMap((point) =>
        point?.kind === 'terminal' && layout?.docked.some(({ part }) => part === point.part) ? [point.part] : [],
      ),
    ),
  );
  let width = $state(0);
  let height = $state(0);
  /** Both probes as far as that can be read; else the red one, as the black one stays where it is. */
  const frame = $derived.by(() => {
    if (!map || (probes.length === 0 && parts.size === 0)) return null;
    const around = (of: typeof probes) => frameOf(map, new Set(), of.length > 0 ? touched : parts, pointsOf(of));
    const both = around(probes);
    const step = Math.min(width / (both.right - both.left), height / (both.bottom - both.top));
    return step >= READ || probes.length < 2 ? both : around(probes.slice(0, 1));
  });
  let board = $state<BoardMap>();
</script>

{#if map && row}
  <section
    class="sticky top-[var(--heads)] max-desk:top-0 z-4 py-1 px-2.5 bg-board border-b border-b-quiet print:hidden"
    aria-label="where the probes go"
  >
    <!-- As high for every line: what is pressed below must not move away under the pointer. -->
    <p
      class="flex gap-x-2.5 items-baseline h-7 m-0 whitespace-nowrap max-desk:h-11 max-desk:flex-wrap max-desk:gap-y-0"
    >
      <span class="unit">{say(wordOf('sheet-phase', row.phase))}</span>
      <strong class="font-semibold min-w-0 truncate max-desk:max-w-[60%]">{say(row.title)}</strong>
      <span class="unit min-w-0 truncate flex-1 max-desk:hidden">{say(row.how)}</span>
      <span class="min-w-0 truncate"
        ><span class="unit">expected</span> <span class="value">{saysExpected(row.expected)}</span></span
      >
      {#if metering.listening && metering.row?.key === row.key}
        <span class="min-w-[7em] text-right" data-meter
          ><span class="unit">meter</span>
          <span class="value"
            >{metering.fits && metering.shown?.reading && typeof row.expected !== 'string'
              ? saysReading(metering.shown.reading.value, row.expected.unit)
              : '–'}</span
          ></span
        >
        <Button title="t" aria-label="take what the meter shows" onclick={() => metering.press()}>Take it</Button>
      {/if}
      <Button kind="bare" class="max-desk:hidden" onclick={() => board?.fitWhole()}>whole</Button>
      <Button kind="bare" class="max-desk:hidden" onclick={() => board?.fitStep()}>probes</Button>
    </p>
    <div
      class="h-[34cqh] min-h-45 flex border bg-bench max-desk:h-[28cqh] max-desk:min-h-32"
      bind:clientWidth={width}
      bind:clientHeight={height}
    >
      <BoardMap
        bind:this={board}
        {map}
        label="Boards with the probes of {say(row.title)}"
        put={null}
        parts={probes.length > 0 ? null : parts}
        {frame}
        {probes}
        still
      />
    </div>
  </section>
{/if}
