<!-- The page of the figure in hand, with its spot marked; what was pasted is shown as it was written. -->
<script lang="ts">
  import { reading } from '../state/reading.svelte';

  /** Dots for each point: sharp enough to read a footnote. */
  const SCALE = 2;
  let canvas = $state<HTMLCanvasElement>();
  let frame = $state<HTMLElement>();
  let size = $state({ width: 595, height: 842 });
  let failed = $state(false);
  let drawn = 0;
  const figure = $derived(reading.current);
  const page = $derived(figure?.page ?? 1);
  const box = $derived(figure && figure.box.x1 > figure.box.x0 ? figure.box : null);
  const lines = $derived.by(() => {
    const by = new Map<number, { text: string; x: number }[]>();
    for (const item of reading.pasted?.items ?? []) by.set(item.y, [...(by.get(item.y) ?? []), item]);
    return [...by].map(([y, items]) => ({ y, text: items.map(({ text }) => text).join('   ') }));
  });

  $effect(() => {
    if (reading.kind !== 'pdf' || !canvas) return;
    const target = canvas;
    const mine = ++drawn;
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

<div class="frame" bind:this={frame} role="region" aria-label="where it stands">
  {#if reading.kind === 'pdf'}
    {#if failed}<p class="note">This page cannot be drawn; what was read of it stands on the left.</p>{/if}
    <div class="page">
      <canvas bind:this={canvas} aria-label="page {page} of {reading.title}"></canvas>
      {#if box}
        <div
          class="mark"
          style:left="{(box.x0 / size.width) * 100 - 0.6}%"
          style:top="{(box.y0 / size.height) * 100 - 0.3}%"
          style:width="{((box.x1 - box.x0) / size.width) * 100 + 1.2}%"
          style:height="{((box.y1 - box.y0) / size.height) * 100 + 0.6}%"
        ></div>
      {/if}
    </div>
  {:else if reading.kind === 'paste'}
    <ol class="pasted">
      {#each lines as line (line.y)}
        <li class:here={figure !== null && line.y >= figure.box.y0 && line.y <= figure.box.y1}>{line.text}</li>
      {/each}
    </ol>
  {:else if figure}
    <p class="note value">{figure.said}</p>
    {#if reading.kind === 'csv'}<p class="note unit">line {figure.box.y0} of {reading.file}</p>{/if}
  {:else}
    <p class="note unit">Nothing is shown for what is entered by hand.</p>
  {/if}
</div>

<style>
  .frame {
    flex: 1;
    min-height: 220px;
    overflow: auto;
    padding: 10px;
  }
  .page {
    position: relative;
  }
  canvas {
    display: block;
    width: 100%;
    background: #fff;
  }
  .mark {
    position: absolute;
    border: 2px solid #b4560f;
    background: rgb(226 140 60 / 0.2);
  }
  .pasted {
    margin: 0;
    padding: 8px 8px 8px 36px;
    background: var(--raised);
    font-family: var(--font-mono);
    white-space: pre-wrap;
  }
  .pasted li::marker {
    color: var(--quiet);
  }
  .here {
    background: var(--copper-soft);
    box-shadow: inset 3px 0 var(--copper);
  }
  .note {
    margin: 0 0 6px;
  }
</style>
