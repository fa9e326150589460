<!-- The page of the figure in hand, with its spot marked; what was pasted is shown as it was written. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { Box } from '@idle-breadboard/core/card';
  import ChevronLeft from '@lucide/svelte/icons/chevron-left';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import { reading } from '../state/reading.svelte';

  /** Dots for each point: sharp enough to read a footnote. */
  const SCALE = 2;
  let canvas = $state<HTMLCanvasElement>();
  let frame = $state<HTMLElement>();
  let size = $state({ width: 595, height: 842 });
  let failed = $state(false);
  let drawn = 0;
  const figure = $derived(reading.current);
  const page = $derived(reading.page);
  const box = $derived(figure && figure.page === page && figure.box.x1 > figure.box.x0 ? figure.box : null);
  const rivals = $derived(figure ? reading.rivalsOf(figure).filter((rival) => rival.page === page) : []);
  const unread = $derived(reading.unreadSpots.filter((spot) => spot.page === page));
  /** The frame that is being drawn, in points of the page. */
  let from = $state<{ x: number; y: number } | null>(null);
  let drag = $state<Box | null>(null);

  function pointOf(event: PointerEvent): { x: number; y: number } {
    const area = (event.currentTarget as HTMLElement).getBoundingClientRect();
    return {
      x: ((event.clientX - area.left) / area.width) * size.width,
      y: ((event.clientY - area.top) / area.height) * size.height,
    };
  }
  function begin(event: PointerEvent) {
    if (event.button !== 0 || (event.target as HTMLElement).closest('button')) return;
    from = pointOf(event);
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  }
  function draw(event: PointerEvent) {
    if (!from) return;
    const to = pointOf(event);
    drag = {
      x0: Math.min(from.x, to.x),
      x1: Math.max(from.x, to.x),
      y0: Math.min(from.y, to.y),
      y1: Math.max(from.y, to.y),
    };
  }
  function end(event: PointerEvent) {
    if (!from) return;
    draw(event);
    const picked = drag;
    from = null;
    drag = null;
    if (picked) void reading.pick(picked);
  }
  const at = (spot: Box) => ({
    left: `${(spot.x0 / size.width) * 100 - 0.4}%`,
    top: `${(spot.y0 / size.height) * 100 - 0.2}%`,
    width: `${((spot.x1 - spot.x0) / size.width) * 100 + 0.8}%`,
    height: `${((spot.y1 - spot.y0) / size.height) * 100 + 0.4}%`,
  });
  const lines = $derived.by(() => {
    const by = new Map<number, { text: string; x: number }[]>();
    for (const item of reading.pasted?.items ?? []) by.set(item.y, [...(by.get(item.y) ?? []), item]);
    return [...by].map(([y, items]) => ({ y, text: items.map(({ text }) => text).join('   ') }));
  });

  $effect(() => {
    if (reading.kind !== 'pdf' || !canvas) return;
    const target = canvas;
    const mine = ++drawn;
    // A document that was left is opened again while its figures are here already.
    void reading.shown;
    void reading
      .picture(page, Math.round(size.width * SCALE))
      .then((picture) => {
        if (mine !== drawn || !picture) return;
        target.width = picture.bitmap.width;
        target.height = picture.bitmap.height;
        target.getContext('2d')?.drawImage(picture.bitmap, 0, 0);
        picture.bitmap.close();
        size = { width: picture.width, height: picture.height };
        failed = false;
      })
      .catch(() => (failed = true));
  });

  $effect(() => {
    if (!box || !frame) return;
    const share = (box.y0 + box.y1) / 2 / size.height;
    frame.scrollTop = share * frame.scrollHeight - frame.clientHeight / 2;
  });
</script>

<div class="frame flex-1 min-h-55 overflow-auto p-2.5" bind:this={frame} role="region" aria-label="where it stands">
  {#if reading.kind === 'pdf'}
    {#if failed}<p class="mb-1.5">This page cannot be drawn; what was read of it stands on the left.</p>{/if}
    {#if reading.pages > 1}
      <div class="flex items-center gap-1.5">
        <Button kind="bare" aria-label="page before" disabled={page <= 1} onclick={() => reading.turn(page - 1)}
          ><ChevronLeft size={14} /></Button
        >
        <span class="unit">page {page} of {reading.pages}</span>
        <Button
          kind="bare"
          aria-label="next page"
          disabled={page >= reading.pages}
          onclick={() => reading.turn(page + 1)}><ChevronRight size={14} /></Button
        >
      </div>
    {/if}
    <p class="unit mb-1" role="status">
      {reading.picked || 'Click a value on the page, or draw a frame, to read what stands there.'}
    </p>
    <!-- What the pointer does here the marked spots do for the keyboard. -->
    <div
      class="page relative touch-pan-y cursor-crosshair"
      role="presentation"
      onpointerdown={begin}
      onpointermove={draw}
      onpointerup={end}
    >
      <canvas class="block w-full bg-[#fff]" bind:this={canvas} aria-label="page {page} of {reading.title}"></canvas>
      {#each unread as { box: spot }, i (i)}
        {@const place = at(spot)}
        <button
          type="button"
          class="absolute border-b-2 border-dotted border-b-[#b4560f] bg-[rgb(226_140_60_/_0.08)] cursor-pointer hover:bg-[rgb(226_140_60_/_0.3)] focus-visible:bg-[rgb(226_140_60_/_0.3)]"
          aria-label="read what stands here, {i + 1} of {unread.length}"
          title="not read: press to read what stands here"
          style:left={place.left}
          style:top={place.top}
          style:width={place.width}
          style:height={place.height}
          onclick={() => reading.pick(spot)}
        ></button>
      {/each}
      {#if drag}
        {@const place = at(drag)}
        <div
          class="absolute border border-dashed border-[#b4560f] bg-[rgb(226_140_60_/_0.12)] pointer-events-none"
          style:left={place.left}
          style:top={place.top}
          style:width={place.width}
          style:height={place.height}
        ></div>
      {/if}
      {#each rivals as rival (rival.id)}
        {@const place = at(rival.box)}
        <div
          class="mark pointer-events-none absolute border-2 border-[#b4560f] border-dashed bg-transparent"
          style:left={place.left}
          style:top={place.top}
          style:width={place.width}
          style:height={place.height}
        ></div>
      {/each}
      {#if box}
        <div
          class="mark pointer-events-none absolute border-2 border-[#b4560f] bg-[rgb(226_140_60_/_0.2)]"
          style:left="{(box.x0 / size.width) * 100 - 0.6}%"
          style:top="{(box.y0 / size.height) * 100 - 0.3}%"
          style:width="{((box.x1 - box.x0) / size.width) * 100 + 1.2}%"
          style:height="{((box.y1 - box.y0) / size.height) * 100 + 0.6}%"
        ></div>
      {/if}
    </div>
  {:else if reading.kind === 'paste'}
    <ol class="pasted py-2 pr-2 pl-9 bg-raised font-mono whitespace-pre-wrap">
      {#each lines as line (line.y)}
        <li
          class="data-here:bg-copper-soft data-here:shadow-mark marker:text-quiet"
          data-here={(figure !== null && line.y >= figure.box.y0 && line.y <= figure.box.y1) || undefined}
        >
          {line.text}
        </li>
      {/each}
    </ol>
  {:else if figure}
    <p class="value mt-0 mb-1.5 mx-0">{figure.said}</p>
    {#if reading.kind === 'csv'}<p class="unit mb-1.5">line {figure.box.y0} of {reading.file}</p>{/if}
  {:else}
    <p class="unit mb-1.5">Nothing is shown for what is entered by hand.</p>
  {/if}
</div>
