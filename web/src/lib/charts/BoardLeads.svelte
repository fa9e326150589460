<!-- Leads on the board map, and the two-legged things between holes, which can be taken elsewhere. -->
<script lang="ts">
  import type { DrawnLead } from '@idle-breadboard/core/deliver';
  import { INKS } from '@idle-breadboard/core/files';
  import { say } from '@idle-breadboard/core/words';
  import type { Drag, Hands } from './move-part';

  interface Props {
    leads: readonly DrawnLead[];
    isLit: (lead: DrawnLead) => boolean;
    pinned: ReadonlySet<string>;
    selected: string | null;
    drag: Drag | null;
    hands: Hands;
  }
  let { leads, isLit, pinned, selected, drag, hands }: Props = $props();
  const path = ({ a, b, bend }: DrawnLead) => `M${a.x} ${a.y}Q${bend.x} ${bend.y} ${b.x} ${b.y}`;
  const body = ({ a, b }: DrawnLead) => {
    const at = (share: number) => `${a.x + (b.x - a.x) * share} ${a.y + (b.y - a.y) * share}`;
    return `M${at(0.25)}L${at(0.75)}`;
  };
</script>

{#each leads as lead (lead.key)}
  <g class="lead" class:faint={!isLit(lead)}>
    {#if lead.kind === 'lead' || lead.kind === 'own'}
      <path class="rim" d={path(lead)} />
      <path
        class="core"
        d={path(lead)}
        stroke={INKS[lead.colour] ?? '#8b877c'}
        stroke-dasharray={lead.kind === 'own' ? '1.1 .35' : undefined}
      />
    {:else}
      {@const held = drag?.part === lead.of ? drag : null}
      <g
        class="legs"
        role="button"
        tabindex="0"
        aria-label="{say(lead.value)}, {lead.of}{pinned.has(lead.of)
          ? ', put there by hand'
          : ''}: arrow keys move it, Delete lets it go"
        transform={held ? `translate(${held.dx} ${held.dy})` : undefined}
        {...hands(lead.of)}
      >
        <path class="leg" d="M{lead.a.x} {lead.a.y}L{lead.b.x} {lead.b.y}" />
        <path class="stem" class:chosen={selected === lead.of} d={body(lead)} />
      </g>
      {#if lead.kind === 'resistor' || lead.kind === 'capacitor'}<path class="hollow" d={body(lead)} />{:else}<circle
          class="ring"
          cx={lead.a.x + (lead.b.x - lead.a.x) * 0.68}
          cy={lead.a.y + (lead.b.y - lead.a.y) * 0.68}
          r=".34"
        />{/if}
      {#if isLit(lead) && (lead.kind === 'resistor' || lead.kind === 'capacitor')}<text
          class="value"
          x={lead.bend.x}
          y={lead.bend.y - 0.8}>{say(lead.value)}</text
        >{/if}
    {/if}
    <circle class="end" cx={lead.a.x} cy={lead.a.y} r=".34" /><circle class="end" cx={lead.b.x} cy={lead.b.y} r=".34" />
  </g>
{/each}

<style>
  .lead path {
    fill: none;
    pointer-events: none;
  }
  .rim {
    stroke: var(--ink);
    stroke-width: 0.62;
    opacity: 0.55;
  }
  .core {
    stroke-width: 0.42;
  }
  .faint {
    opacity: 0.22;
  }
  .leg {
    stroke: var(--ink);
    stroke-width: 0.16;
  }
  .stem {
    stroke: var(--ink);
    stroke-width: 1.1;
  }
  .legs {
    cursor: grab;
    touch-action: none;
    outline: none;
  }
  .legs path {
    pointer-events: stroke;
  }
  .chosen,
  .legs:focus-visible .stem {
    stroke: var(--copper);
  }
  .hollow {
    stroke: var(--raised);
    stroke-width: 0.74;
  }
  .ring {
    fill: var(--raised);
  }
  .value {
    fill: var(--ink);
    font-family: var(--font-mono);
    pointer-events: none;
    font-size: 1.05px;
    text-anchor: middle;
    paint-order: stroke;
    stroke: var(--raised);
    stroke-width: 0.35px;
  }
  .end {
    fill: var(--ink);
  }
</style>
