<!--
  The boards hole by hole, with the leads of the step in hand. Parts in the board can be taken elsewhere with the pointer or the keys;
  wheel, pinch, buttons and keys look closer.
-->
<script lang="ts">
  import { readAt, type BoardMap, type MapProbe } from '@idle-breadboard/core/deliver';
  import { figureInkOf, inkOf } from '@idle-breadboard/core/files';
  import { say } from '@idle-breadboard/core/words';
  import { select as handle, zoom, zoomIdentity, type D3ZoomEvent } from 'd3';
  import BoardLeads from './BoardLeads.svelte';
  import type { Drag } from './move-part';
  import Probes from './Probes.svelte';

  interface Props {
    map: BoardMap;
    label: string;
    /** Keys of legs and leads that are in by now; null for all. */
    put: ReadonlySet<string> | null;
    /** Parts of the step in hand; null for all. */
    parts: ReadonlySet<string> | null;
    /** What is looked at; the whole where it is null. */
    frame: { left: number; right: number; top: number; bottom: number } | null;
    pinned?: ReadonlySet<string>;
    selected?: string | null;
    select?: (part: string | null) => void;
    /** Steps along and across, or half a turn. */
    move?: (part: string, by: { dx: number; dy: number } | 'turn' | 'free') => void;
    /** Set where nothing is taken elsewhere. */
    still?: boolean;
    probes?: readonly MapProbe[];
  }
  const NONE: ReadonlySet<string> = new Set();
  let {
    map,
    label,
    put,
    parts,
    frame,
    pinned = NONE,
    selected = null,
    select = () => undefined,
    move = () => undefined,
    still = false,
    probes = [],
  }: Props = $props();

  /** Pixels that a step of the grid takes at most, and the least size of what is written, px. */
  const CLOSEST = 44;
  const NEAR = 30;
  const LEAST = 11;
  const PAN = 60;

  let svg = $state<SVGSVGElement>();
  let layer = $state<SVGGElement>();
  let width = $state(0);
  let height = $state(0);
  /** Pixels to a step, and where the origin lies. */
  let look = $state.raw({ k: 10, x: 0, y: 0 });
  let drag = $state.raw<Drag | null>(null);

  const drawing = $derived(map.drawing);
  const isPartLit = (part: string) => parts === null || parts.has(part);
  const isRead = (size: number) => size * look.k >= LEAST - 0.01;
  const holes = $derived(drawing.holes.map(({ x, y }) => `M${x - 0.22} ${y - 0.22}h.44v.44h-.44z`).join(''));

  const zoomer = zoom<SVGSVGElement, unknown>()
    .scaleExtent([2, CLOSEST])
    // Asked of the picture itself it would be laid out once more at every new look.
    .extent(() => [
      [0, 0],
      [width, height],
    ])
    // What can be taken elsewhere is taken, not the board under it.
    .filter((event: Event) => !(event.target instanceof Element && event.target.closest('[data-movable]')))
    .on('zoom', ({ transform: { k, x, y } }: D3ZoomEvent<SVGSVGElement, unknown>) => (look = { k, x, y }));
  $effect(() => {
    const held = svg;
    if (!held) return;
    handle(held).call(zoomer).on('dblclick.zoom', null);
    return () => handle(held).on('.zoom', null);
  });

  function fit({ left, right, top, bottom }: typeof drawing.box, most: number) {
    if (!svg || width === 0 || height === 0) return;
    const k = Math.min(most, width / (right - left), height / (bottom - top));
    handle(svg).call(
      zoomer.transform,
      zoomIdentity.translate((width - (left + right) * k) / 2, (height - (top + bottom) * k) / 2).scale(k),
    );
  }
  // Whatever comes into hand is looked at; until then the eye stays where it was taken.
  $effect(() => fit(frame ?? drawing.box, NEAR));

  export const fitWhole = () => fit(drawing.box, NEAR);
  export const fitStep = () => fit(frame ?? drawing.box, NEAR);
  export function scaleBy(by: number) {
    if (svg) handle(svg).call(zoomer.scaleBy, by);
  }
  function panBy(dx: number, dy: number) {
    if (svg) handle(svg).call(zoomer.translateBy, dx / look.k, dy / look.k);
  }

  const LOOKS: Readonly<Record<string, () => void>> = {
    '+': () => scaleBy(1.25),
    '=': () => scaleBy(1.25),
    '-': () => scaleBy(0.8),
    Home: fitWhole,
    End: fitStep,
    ArrowLeft: () => panBy(PAN, 0),
    ArrowRight: () => panBy(-PAN, 0),
    ArrowUp: () => panBy(0, PAN),
    ArrowDown: () => panBy(0, -PAN),
  };
  function lookKey(event: KeyboardEvent) {
    const act = LOOKS[event.key];
    if (!act || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  }

  function point(event: PointerEvent) {
    const matrix = layer?.getScreenCTM();
    if (!matrix) return null;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return { x: at.x, y: at.y };
  }

  function down(event: PointerEvent, part: string) {
    if (event.button !== 0) return;
    const at = point(event);
    if (!at) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    select(part);
    drag = { part, ...at, dx: 0, dy: 0 };
  }
  function moving(event: PointerEvent) {
    const at = drag && point(event);
    if (drag && at) drag = { ...drag, dx: Math.round(at.x - drag.x), dy: Math.round(at.y - drag.y) };
  }
  function up() {
    const done = drag;
    drag = null;
    if (done && (done.dx !== 0 || done.dy !== 0)) move(done.part, { dx: done.dx, dy: done.dy });
  }

  const KEYS: Readonly<Record<string, { dx: number; dy: number } | 'turn' | 'free'>> = {
    ArrowLeft: { dx: -1, dy: 0 },
    ArrowRight: { dx: 1, dy: 0 },
    ArrowUp: { dx: 0, dy: -1 },
    ArrowDown: { dx: 0, dy: 1 },
    t: 'turn',
    Delete: 'free',
  };
  function key(event: KeyboardEvent, part: string) {
    const by = KEYS[event.key];
    if (!by || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    select(part);
    move(part, by);
  }
  /** What the pointer and the keys do with something that can be taken elsewhere. */
  const hands = (part: string) => ({
    onpointerdown: (event: PointerEvent) => down(event, part),
    onpointermove: moving,
    onpointerup: up,
    onpointercancel: () => (drag = null),
    onkeydown: (event: KeyboardEvent) => key(event, part),
    onfocus: () => select(part),
  });
</script>

<div class="grow self-stretch min-w-0 min-h-0" bind:clientWidth={width} bind:clientHeight={height}>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
  <svg
    class="block w-full h-full [user-select:none] touch-none cursor-move focus-visible:outline-2 focus-visible:outline-copper focus-visible:-outline-offset-2"
    bind:this={svg}
    tabindex="0"
    role="group"
    aria-label="{label}: plus and minus look closer and from afar, arrow keys go along, Home shows the whole, End the step"
    onkeydown={lookKey}
  >
    <g bind:this={layer} transform="translate({look.x} {look.y}) scale({look.k})">
      {#each drawing.boards as board, i (i)}
        <rect
          class="board fill-raised stroke-quiet stroke-[0.12]"
          x={board.left}
          y={board.top}
          width={board.right - board.left}
          height={board.bottom - board.top}
          rx=".5"
        />
        <rect class="fill-bench" x={board.left} y={board.top + 9.6} width={board.right - board.left} height="0.8" />
      {/each}
      {#each drawing.strips as strip, i (i)}
        <path class={strip.plus ? 'plus' : 'minus'} d="M{strip.from.x} {strip.from.y}H{strip.to.x}" />
      {/each}
      <path class="fill-line" d={holes} />
      {#each drawing.parts as part (part.part)}
        {@const held = drag?.part === part.part ? drag : null}
        <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
        <g
          class="part group/part opacity-45 outline-none data-movable:cursor-grab data-movable:touch-none data-lit:opacity-100"
          data-lit={isPartLit(part.part) || undefined}
          data-selected={selected === part.part || undefined}
          data-movable={(part.seated && !still) || undefined}
          transform={held ? `translate(${held.dx} ${held.dy})` : undefined}
          role={part.seated && !still ? 'button' : 'img'}
          tabindex={part.seated && !still ? 0 : undefined}
          aria-label={part.seated && !still
            ? `${say(part.label)}, in the board${pinned.has(part.part) ? ', put there by hand' : ''}: arrow keys move it, T turns it, Delete lets it go`
            : `${say(part.label)}, ${part.seated ? 'in' : 'beside'} the board`}
          {...part.seated && !still ? hands(part.part) : {}}
        >
          <title>{say(part.label)}{part.seated ? '' : `: ${part.pins.map((pin) => pin.label).join(' ')}`}</title>
          <rect
            class="fill-board stroke-ink stroke-[0.16] data-seated:[fill-opacity:0.78] group-data-selected/part:stroke-copper group-data-selected/part:stroke-[0.4] group-focus-visible/part:stroke-copper group-focus-visible/part:stroke-[0.4]"
            data-seated={part.seated || undefined}
            x={part.box.left}
            y={part.box.top}
            width={part.box.right - part.box.left}
            height={part.box.bottom - part.box.top}
            rx=".4"
          />
          {#if pinned.has(part.part)}<path
              class="fill-copper"
              d="M{part.box.left + 0.3} {part.box.top + 0.3}h1.2l-1.2 1.2z"
            />{/if}
          {#each part.pins as pin, i (i)}
            {#if pin.first}<rect
                class="pin fill-ink"
                x={pin.x - 0.35}
                y={pin.y - 0.35}
                width=".7"
                height=".7"
              />{:else}<circle class="pin fill-ink" cx={pin.x} cy={pin.y} r=".35" />{/if}
          {/each}
        </g>
      {/each}
      <BoardLeads {map} {put} {pinned} {selected} {drag} {hands} {still} />
      {#each drawing.joints as joint (joint.text)}
        <circle class="fill-raised stroke-ink stroke-[0.16]" cx={joint.x} cy={joint.y} r=".7" />
      {/each}
      <!-- Words stand apart from what can be acted on, which has its whole name as its label. -->
      <g class="words" aria-hidden="true">
        {#each map.texts as text, i (i)}
          {@const written = readAt(text, look.k, LEAST)}
          {#if written}
            {@const held = drag?.part === text.of ? drag : null}
            <text
              class="word fill-quiet pointer-events-none font-mono [text-anchor:middle] data-dim:opacity-45 data-[is=part]:font-sans data-[is=part]:font-semibold data-[is=part]:fill-ink data-[is=pin]:fill-ink data-[is=value]:fill-ink"
              data-is={text.is}
              data-dim={((text.is === 'part' || text.is === 'pin') && !isPartLit(text.of)) || undefined}
              font-size={written.size}
              x={text.x}
              y={text.y}
              transform={held ? `translate(${held.dx} ${held.dy})` : undefined}>{written.says}</text
            >
          {/if}
        {/each}
        {#each map.leads as { lead, number, tags } (lead.key)}
          {#each tags as tag, i (i)}
            <rect
              class="tag stroke-ink stroke-[0.07]"
              x={tag.x - tag.half.width}
              y={tag.y - tag.half.height}
              width={2 * tag.half.width}
              height={2 * tag.half.height}
              rx=".3"
              fill={inkOf(lead.colour)}
            />
            {#if isRead(tag.size)}<text
                class="tag-number pointer-events-none font-mono [text-anchor:middle]"
                fill={figureInkOf(lead.colour)}
                font-size={tag.size}
                x={tag.x}
                y={tag.y + tag.size * 0.36}>{number}</text
              >{/if}
          {/each}
        {/each}
      </g>
      <Probes
        {probes}
        size={Math.max(1, (LEAST + 1) / look.k)}
        sight={{ left: -look.x / look.k, right: (width - look.x) / look.k }}
      />
    </g>
  </svg>
</div>

<style>
  .plus,
  .minus {
    stroke: var(--rail-red);
    stroke-width: 0.16;
  }
  .minus {
    stroke: var(--rail-blue);
  }
</style>
