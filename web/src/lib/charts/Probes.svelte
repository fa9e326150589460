<!-- The two probes of a meter on the board map: a tip in the hole, a handle that leads away from it, and which it is. -->
<script lang="ts">
  import type { MapProbe } from '@idle-breadboard/core/deliver';
  import { say } from '@idle-breadboard/core/words';

  /** @param size of what is written, in steps */
  let { probes, size }: { probes: readonly MapProbe[]; size: number } = $props();
</script>

{#each probes as { x, y, colour, on, lean: { x: dx, y: dy } } (colour)}
  <g class="probe pointer-events-none" data-probe={colour} transform="translate({x} {y})">
    <circle class="ring" r=".62" />
    <path class="tip" d="M0 0L{dx * 0.42} {dy * 0.42}" />
    <path class="edge" d="M{dx * 0.42} {dy * 0.42}L{dx} {dy}" />
    <path class="handle" d="M{dx * 0.42} {dy * 0.42}L{dx} {dy}" />
    <text
      class="name font-sans font-semibold fill-ink"
      aria-hidden="true"
      font-size={size}
      text-anchor={dx < 0 ? 'end' : 'start'}
      x={dx + (dx < 0 ? -0.9 : 0.9)}
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
