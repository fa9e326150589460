<!-- A board to scale, with its headers: boards beside each other can be told apart and compared in size. A place with more room says so with `--mm`. -->
<script lang="ts">
  import type { Card } from '@idle-breadboard/core/card';

  let { card }: { card: Card } = $props();
  /** What a board without a size is drawn as, mm. */
  const UNKNOWN = { length: 50, width: 25 };
  const GAP = 2;

  const mm = (metres: number) => metres * 1000;
  const body = $derived.by(() => {
    const size = card.body?.size;
    return size ? { length: mm(size.length), width: mm(size.width) } : UNKNOWN;
  });
  /** Headers lie along the long edges: the first at the lower one, others above. */
  const headers = $derived(
    card.headers.map(({ id, kind, rows, pitch }, i) => {
      const places = Math.ceil(card.terminals.filter((terminal) => terminal.header === id).length / rows);
      const step = Math.min(mm(pitch), (body.length - GAP) / Math.max(1, places));
      const from = (body.length - step * (places - 1)) / 2;
      const edge = i % 2 === 0 ? body.width - GAP : GAP;
      const inward = i % 2 === 0 ? -1 : 1;
      return {
        id,
        kind,
        pins: Array.from({ length: places * rows }, (_, pin) => ({
          x: from + step * Math.floor(pin / rows),
          y: edge + inward * step * (pin % rows),
        })),
      };
    }),
  );
</script>

<svg
  class="flex-none self-start"
  style:width="calc({body.length} * var(--mm, 1.35px) + 2px)"
  style:height="calc({body.width} * var(--mm, 1.35px) + 2px)"
  viewBox="-0.7 -0.7 {body.length + 1.4} {body.width + 1.4}"
  aria-hidden="true"
>
  <rect class="fill-raised stroke-ink stroke-[0.8]" width={body.length} height={body.width} rx="1.5" />
  {#each headers as { id, kind, pins } (id)}
    {#each pins as { x, y }, i (i)}
      {#if kind === 'male'}<rect class="fill-ink" x={x - 0.6} y={y - 0.6} width="1.2" height="1.2" />
      {:else if kind === 'female'}<rect
          class="fill-board stroke-ink stroke-[0.4]"
          x={x - 0.7}
          y={y - 0.7}
          width="1.4"
          height="1.4"
        />
      {:else}<circle class="fill-board stroke-ink stroke-[0.4]" cx={x} cy={y} r=".8" />{/if}
    {/each}
  {/each}
  {#if card.body?.socket}
    <rect
      class="fill-board stroke-ink stroke-[0.6]"
      x={card.body.socket.end === 'last' ? -0.3 : body.length - 4.7}
      y={body.width / 2 - 3.5}
      width="5"
      height="7"
      rx=".6"
    />
  {/if}
</svg>
