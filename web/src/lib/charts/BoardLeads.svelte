<!-- Leads on the board map, and the two-legged things between holes, which can be taken elsewhere. -->
<script lang="ts">
  import type { BoardMap, MapLegs } from '@idle-breadboard/core/deliver';
  import { inkOf, pathOf } from '@idle-breadboard/core/files';
  import { say } from '@idle-breadboard/core/words';
  import type { Drag, Hands } from './move-part';

  interface Props {
    map: BoardMap;
    /** Keys of the legs that are in by now; null for all. */
    put: ReadonlySet<string> | null;
    pinned: ReadonlySet<string>;
    selected: string | null;
    drag: Drag | null;
    hands: Hands;
    /** Set where nothing is taken elsewhere. */
    still: boolean;
  }
  let { map, put, pinned, selected, drag, hands, still }: Props = $props();
  const ring = ({ body: [a, b] }: MapLegs) => ({ cx: a.x + (b.x - a.x) * 0.86, cy: a.y + (b.y - a.y) * 0.86 });
</script>

{#each map.legs as legs (legs.lead.key)}
  {@const { lead, way, body } = legs}
  {@const held = drag?.part === lead.of ? drag : null}
  {@const round = lead.kind !== 'resistor' && lead.kind !== 'capacitor'}
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <g
    class="legs group/legs data-movable:cursor-grab data-movable:touch-none outline-none data-faint:opacity-30"
    data-faint={(put !== null && !put.has(lead.key)) || undefined}
    data-movable={!still || undefined}
    role={still ? 'img' : 'button'}
    tabindex={still ? undefined : 0}
    aria-label="{say(lead.value)}, {lead.of}{still
      ? ''
      : `${pinned.has(lead.of) ? ', put there by hand' : ''}: arrow keys move it, Delete lets it go`}"
    transform={held ? `translate(${held.dx} ${held.dy})` : undefined}
    {...still ? {} : hands(lead.of)}
  >
    <path class="stroke-ink stroke-[0.16] fill-none [pointer-events:stroke]" d={pathOf(way)} />
    <path
      class="stroke-ink stroke-[1.1] fill-none [pointer-events:stroke] data-chosen:stroke-copper group-focus-visible/legs:stroke-copper"
      data-chosen={selected === lead.of || undefined}
      d={pathOf(body)}
    />
    {#if round}<circle class="fill-raised" {...ring(legs)} r=".34" />{:else}<path
        class="stroke-raised stroke-[0.74] fill-none pointer-events-none"
        d={pathOf(body)}
      />{/if}
    {#each [way[0], way.at(-1)] as end, i (i)}<circle class="fill-ink" cx={end?.x} cy={end?.y} r=".3" />{/each}
  </g>
{/each}
{#each map.leads as { lead, number, way } (lead.key)}
  <g class="lead pointer-events-none" data-lead={number} data-stub={way === null || undefined}>
    {#if way}
      <path class="stroke-raised stroke-[0.62] fill-none [stroke-linejoin:round]" d={pathOf(way)} />
      <path class="stroke-ink stroke-[0.46] fill-none [stroke-linejoin:round]" d={pathOf(way)} />
      <path
        class="stroke-[0.34] fill-none [stroke-linejoin:round]"
        d={pathOf(way)}
        stroke={inkOf(lead.colour)}
        stroke-dasharray={lead.kind === 'own' ? '1 .3' : undefined}
      />
    {/if}
  </g>
{/each}
