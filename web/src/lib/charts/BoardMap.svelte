<!-- The boards hole by hole, with the step in hand lit. Parts in the board can be taken elsewhere with the pointer or the keys. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import type { Drawing, DrawnLead, DrawnPart } from '@idle-breadboard/core/deliver';
  import BoardLeads from './BoardLeads.svelte';
  import type { Drag } from './move-part';

  interface Props {
    drawing: Drawing;
    label: string;
    /** Keys of the leads of the step in hand; null for all. */
    lit: ReadonlySet<string> | null;
    /** Leads that are in already. */
    faint: ReadonlySet<string>;
    /** Parts of the step in hand; null for all. */
    parts: ReadonlySet<string> | null;
    pinned: ReadonlySet<string>;
    selected: string | null;
    select: (part: string | null) => void;
    /** Steps along and across, or half a turn. */
    move: (part: string, by: { dx: number; dy: number } | 'turn' | 'free') => void;
  }
  let { drawing, label, lit, faint, parts, pinned, selected, select, move }: Props = $props();

  let svg = $state<SVGSVGElement>();
  let drag = $state.raw<Drag | null>(null);

  const box = $derived(drawing.box);
  const shown = $derived(drawing.leads.filter(({ key }) => lit === null || lit.has(key) || faint.has(key)));
  const isLit = ({ key }: DrawnLead) => lit === null || lit.has(key);
  const isPartLit = ({ part }: DrawnPart) => parts === null || parts.has(part);
  const holes = $derived(drawing.holes.map(({ x, y }) => `M${x - 0.22} ${y - 0.22}h.44v.44h-.44z`).join(''));
  const fitted = (text: string, width: number, size: number) => {
    const most = Math.max(3, Math.floor(width / (size * 0.52)));
    return text.length <= most ? text : `${text.slice(0, most - 1)}…`;
  };

  function point(event: PointerEvent) {
    const matrix = svg?.getScreenCTM();
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

<svg
  class="block w-full h-full [user-select:none] touch-manipulation"
  bind:this={svg}
  viewBox="{box.left} {box.top} {box.right - box.left} {box.bottom - box.top}"
  role="group"
  aria-label={label}
>
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
    <text
      class="font-mono pointer-events-none text-[1.3px] [text-anchor:middle] fill-quiet"
      x={strip.from.x - 0.8}
      y={strip.from.y + 0.45}>{strip.label}</text
    >
  {/each}
  <path class="fill-line" d={holes} />
  {#each drawing.letters as letter, i (i)}<text
      class="font-mono pointer-events-none text-[0.95px] [text-anchor:middle] fill-quiet"
      x={letter.x}
      y={letter.y + 0.35}>{letter.text}</text
    >{/each}
  {#each drawing.parts as part (part.part)}
    {@const width = part.box.right - part.box.left}
    {@const held = drag?.part === part.part ? drag : null}
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <g
      class="part group/part opacity-38 outline-none data-movable:cursor-grab data-movable:touch-none data-lit:opacity-100"
      data-lit={isPartLit(part) || undefined}
      data-selected={selected === part.part || undefined}
      data-movable={part.seated || undefined}
      transform={held ? `translate(${held.dx} ${held.dy})` : undefined}
      role={part.seated ? 'button' : 'img'}
      tabindex={part.seated ? 0 : undefined}
      aria-label={part.seated
        ? `${say(part.label)}, in the board${pinned.has(part.part) ? ', put there by hand' : ''}: arrow keys move it, T turns it, Delete lets it go`
        : `${say(part.label)}, beside the board`}
      {...part.seated ? hands(part.part) : {}}
    >
      <rect
        class="fill-board stroke-ink stroke-[0.16] data-seated:[fill-opacity:0.78] group-data-selected/part:stroke-copper group-data-selected/part:stroke-[0.4] group-focus-visible/part:stroke-copper group-focus-visible/part:stroke-[0.4]"
        data-seated={part.seated || undefined}
        x={part.box.left}
        y={part.box.top}
        {width}
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
      {#if !part.seated}<title>{say(part.label)}: {part.pins.map((pin) => pin.label).join(' ')}</title>{/if}
    </g>
  {/each}
  <!-- Words stand apart from what can be acted on, which has its whole name as its label. -->
  <g class="words" aria-hidden="true">
    {#each drawing.parts as part (part.part)}
      {@const width = part.box.right - part.box.left}
      {@const held = drag?.part === part.part ? drag : null}
      <g
        class="data-dim:opacity-38"
        data-dim={!isPartLit(part) || undefined}
        transform={held ? `translate(${held.dx} ${held.dy})` : undefined}
      >
        <text
          class="fill-ink pointer-events-none font-sans [text-anchor:middle] font-semibold"
          font-size={part.name.size}
          x={part.name.x}
          y={part.name.y}>{fitted(say(part.label), width, part.name.size)}</text
        >
        {#each part.seated ? [] : part.pins as pin, i (i)}
          <text
            class="tag fill-ink font-mono pointer-events-none text-[0.95px] [text-anchor:middle]"
            x={pin.x}
            y={pin.y + (part.box.top < 0 ? -0.7 : 1.5)}>{fitted(pin.label, width / part.pins.length, 0.95)}</text
          >
        {/each}
      </g>
    {/each}
  </g>
  <BoardLeads leads={shown} {isLit} {pinned} {selected} {drag} {hands} />
  {#each drawing.joints as joint (joint.text)}
    <circle class="fill-raised stroke-ink stroke-[0.16]" cx={joint.x} cy={joint.y} r=".8" /><text
      class="font-mono pointer-events-none text-[0.95px] [text-anchor:middle] fill-quiet"
      x={joint.x}
      y={joint.y + 0.35}>{joint.text}</text
    >
  {/each}
</svg>

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
