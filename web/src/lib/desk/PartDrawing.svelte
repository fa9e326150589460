<!-- The part as it lies on the table, drawn while it is entered. A pin is moved along its header by dragging, or by Shift and an arrow. -->
<script lang="ts">
  import { movedPin, seenFromAbove, type SeenPin } from '@idle-breadboard/core/workshop';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { tick } from 'svelte';
  import { desk } from '../state/desk.svelte';

  const MM = 1000;
  /** mm: room around the part for wires and for what is written. */
  const MARGIN = 3;
  const WIRE = 7;
  const NAME = 1.9;

  let svg = $state<SVGSVGElement>();
  let dragged = $state<string | null>(null);
  const seen = $derived(seenFromAbove(desk.read.tree));
  const hasLeads = $derived(seen.pins.some(({ kind }) => kind === 'leads'));
  const box = $derived({
    width: seen.length * MM + 2 * MARGIN,
    height: seen.width * MM + 2 * MARGIN + (hasLeads ? WIRE : 0),
  });
  /** No larger than a hand's width of the screen for a small part. */
  const scale = $derived(Math.min(14, 560 / box.width, 250 / box.height));
  const said = $derived(desk.draft?.answers.get('name')?.said);

  const headerAt = (pin: SeenPin) => [...new Set(seen.pins.map(({ header }) => header))].indexOf(pin.header);
  const along = (pin: SeenPin) =>
    seen.pins.filter(({ header }) => header === pin.header).sort((a, b) => a.position - b.position);

  async function move(pin: SeenPin, to: number) {
    const draft = desk.draft;
    const at = headerAt(pin);
    if (!draft || at < 0) return;
    const from = along(pin).indexOf(pin);
    desk.setHeaders(
      draft.headers.map((header, i) => (i === at ? { ...header, text: movedPin(header.text, from, to) } : header)),
    );
    await tick();
    svg?.querySelector<SVGElement>(`[data-pin="${pin.id}"]`)?.focus();
  }
  function onKey(event: KeyboardEvent, pin: SeenPin) {
    const step = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const row = along(pin);
    const at = row.indexOf(pin);
    if (event.shiftKey) void move(pin, at + step);
    else svg?.querySelector<SVGElement>(`[data-pin="${row[at + step]?.id}"]`)?.focus();
  }
  /** The pin of the same header that lies nearest to where the pointer is. */
  function drop(event: PointerEvent, pin: SeenPin) {
    if (dragged === null || !svg) return;
    dragged = null;
    const bounds = svg.getBoundingClientRect();
    const x = ((event.clientX - bounds.left) / bounds.width) * box.width - MARGIN;
    const row = along(pin);
    const [nearest] = row.map((other, i) => ({ i, far: Math.abs(other.x * MM - x) })).sort((a, b) => a.far - b.far);
    if (nearest && row[nearest.i] !== pin) void move(pin, nearest.i);
  }
</script>

<div class="grid gap-1 justify-items-center p-2 min-h-30 flex-none content-center bg-bench border-b">
  {#if seen.pins.length === 0}
    <p class="unit m-0">The part stands here as soon as a name of its header is typed.</p>
  {:else}
    <svg
      class="max-w-full max-h-[30vh] touch-none"
      bind:this={svg}
      viewBox="{-MARGIN} {-MARGIN} {box.width} {box.height}"
      style:width="{box.width * scale}px"
      style:aspect-ratio="{box.width} / {box.height}"
      role="group"
      aria-label="the part, seen from above"
    >
      <rect
        class="fill-raised stroke-ink stroke-[0.18] data-guess:[stroke-dasharray:0.9_0.6]"
        width={seen.length * MM}
        height={seen.width * MM}
        rx="0.8"
        data-guess={!seen.measured || undefined}
      />
      {#if typeof said === 'string' && seen.width > 0.01}
        <text
          class="fill-quiet [text-anchor:middle]"
          x={(seen.length * MM) / 2}
          y={2}
          font-size={Math.min(1.6, (seen.length * MM - 2) / (Math.max(1, said.length) * 0.55))}>{said}</text
        >
      {/if}
      {#each seen.pins as pin (pin.id)}
        {@const [x, y] = [pin.x * MM, pin.y * MM]}
        <g
          class="pin group/pin cursor-grab focus-visible:outline-none {pin.role}"
          data-dragged={dragged === pin.id || undefined}
          data-pin={pin.id}
          role="button"
          tabindex="0"
          aria-label="{pin.label}, {pin.role}, place {pin.position}; Shift and an arrow moves it"
          onkeydown={(event) => onKey(event, pin)}
          onpointerdown={(event) => {
            dragged = pin.id;
            event.currentTarget.setPointerCapture(event.pointerId);
          }}
          onpointerup={(event) => drop(event, pin)}
        >
          <rect
            class="hit fill-transparent group-focus-visible/pin:fill-copper-soft group-focus-visible/pin:stroke-copper group-focus-visible/pin:stroke-[0.25] group-data-dragged/pin:fill-copper-soft group-data-dragged/pin:stroke-copper group-data-dragged/pin:stroke-[0.25]"
            x={x - 1.27}
            y={y - 1.27}
            width="2.54"
            height="2.54"
          />
          {#if pin.kind === 'leads'}
            <path
              class="stroke-[0.9] fill-none"
              d="M{x} {y}V{seen.width * MM + WIRE}"
              style:stroke={pin.colour ?? 'var(--quiet)'}
            />
          {/if}
          {#if pin.kind === 'screw'}
            <circle cx={x} cy={y} r="1.05" class="pad fill-copper-soft stroke-copper stroke-[0.25]" /><path
              class="slot stroke-ink stroke-[0.28] fill-none"
              d="M{x - 0.7} {y - 0.7}l1.4 1.4"
            />
          {:else if pin.position === 1}
            <rect
              x={x - 0.85}
              y={y - 0.85}
              width="1.7"
              height="1.7"
              class="pad fill-copper-soft stroke-copper stroke-[0.25]"
            />
          {:else}
            <circle cx={x} cy={y} r="0.85" class="pad fill-copper-soft stroke-copper stroke-[0.25]" />
          {/if}
          {#if pin.role === 'supply'}<path
              class="stroke-ink stroke-[0.28] fill-none"
              d="M{x - 0.45} {y}h0.9M{x} {y - 0.45}v0.9"
            />
          {:else if pin.role === 'ground'}<path class="stroke-ink stroke-[0.28] fill-none" d="M{x - 0.5} {y}h1" />
          {:else if pin.role === 'unused'}<circle cx={x} cy={y} r="0.4" class="fill-board" />{/if}
          <text
            class="font-mono text-[1.75px] fill-ink"
            transform="translate({x + NAME * 0.35} {pin.inward === 'up' ? y - 1.5 : y + 1.5}) rotate(-90)"
            text-anchor={pin.inward === 'up' ? 'start' : 'end'}>{pin.label}</text
          >
        </g>
      {/each}
    </svg>
    <p class="unit m-0">
      {seen.measured ? '' : 'outline guessed, '}<span class="value"
        >{formatQuantity(seen.length, 'm', 3)} × {formatQuantity(seen.width, 'm', 3)}</span
      >; pin one is square, + is a supply, − is ground
    </p>
  {/if}
</div>

<style>
  .supply .pad {
    stroke: var(--rail-red);
  }
  .ground .pad {
    stroke: var(--rail-blue);
  }
</style>
