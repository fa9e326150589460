<!-- The two probes of a meter on the board map: a tip in the hole, a handle that leads away from it, and which it is. -->
<script lang="ts">
  import type { MapProbe } from '@idle-breadboard/core/deliver';
  import { say } from '@idle-breadboard/core/words';

  interface Props {
    probes: readonly MapProbe[];
    /** Of what is written, in steps. */
    size: number;
    /** What is in sight, in steps from the left. */
    sight: { readonly left: number; readonly right: number };
  }
  let { probes, size, sight }: Props = $props();
  /** Of the height of a letter, a wide one. */
  const WIDE = 0.62;
  const GAP = 0.9;
  /** On the side to which the handle leans, unless it would run out of sight there. */
  function sideOf({ x, colour, on, lean }: MapProbe): 1 | -1 {
    const long = GAP + WIDE * size * `${colour} on ${say(on)}`.length;
    const at = x + lean.x;
    if (lean.x < 0) return at - long < sight.left && at + long <= sight.right ? 1 : -1;
    return at + long > sight.right && at - long >= sight.left ? -1 : 1;
  }
</script>

{#each probes as probe (probe.colour)}
  {@const { x, y, colour, on } = probe}
  {@const { x: dx, y: dy } = probe.lean}
  {@const side = sideOf(probe)}
  <g class="probe pointer-events-none" data-probe={colour} transform="translate({x} {y})">
    <circle class="ring" r=".62" />
    <path class="tip" d="M0 0L{dx * 0.42} {dy * 0.42}" />
    <path class="edge" d="M{dx * 0.42} {dy * 0.42}L{dx} {dy}" />
    <path class="handle" d="M{dx * 0.42} {dy * 0.42}L{dx} {dy}" />
    <text
      class="name font-sans font-semibold fill-ink"
      aria-hidden="true"
      font-size={size}
      text-anchor={side < 0 ? 'end' : 'start'}
      x={dx + side * GAP}
      y={dy + 0.35 * size}>{colour} on {say(on)}</text
    >
  </g>
{/each}

<style>
  .ring {
    fill: none;
    stroke: var(--ink);
    stroke-width: 0.2;
  }
  .tip {
    stroke: var(--ink);
    stroke-width: 0.24;
    stroke-linecap: round;
  }
  .edge,
  .handle {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.25;
    stroke-linecap: round;
  }
  .handle {
    stroke-width: 0.95;
  }
  .name {
    paint-order: stroke;
    stroke: var(--raised);
    stroke-width: 0.4;
    stroke-linejoin: round;
  }
  [data-probe='red'] .handle {
    stroke: var(--rail-red);
  }
  [data-probe='black'] .handle {
    stroke: #1c1a17;
  }
</style>
