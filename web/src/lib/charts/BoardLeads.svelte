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
  <g class="lead data-faint:opacity-22" class:faint={!isLit(lead)} data-faint={!isLit(lead) || undefined}>
    {#if lead.kind === 'lead' || lead.kind === 'own'}
      <path class="stroke-ink stroke-[0.62] opacity-55 fill-none pointer-events-none" d={path(lead)} />
      <path
        class="stroke-[0.42] fill-none pointer-events-none"
        d={path(lead)}
        stroke={INKS[lead.colour] ?? '#8b877c'}
        stroke-dasharray={lead.kind === 'own' ? '1.1 .35' : undefined}
      />
    {:else}
      {@const held = drag?.part === lead.of ? drag : null}
      <g
        class="group/legs cursor-grab touch-none outline-none"
        role="button"
        tabindex="0"
        aria-label="{say(lead.value)}, {lead.of}{pinned.has(lead.of)
          ? ', put there by hand'
          : ''}: arrow keys move it, Delete lets it go"
        transform={held ? `translate(${held.dx} ${held.dy})` : undefined}
        {...hands(lead.of)}
      >
        <path
          class="stroke-ink stroke-[0.16] fill-none [pointer-events:stroke]"
          d="M{lead.a.x} {lead.a.y}L{lead.b.x} {lead.b.y}"
        />
        <path
          class="stroke-ink stroke-[1.1] fill-none [pointer-events:stroke] data-chosen:stroke-copper group-focus-visible/legs:stroke-copper"
          data-chosen={selected === lead.of || undefined}
          d={body(lead)}
        />
      </g>
      {#if lead.kind === 'resistor' || lead.kind === 'capacitor'}<path
          class="stroke-raised stroke-[0.74] fill-none pointer-events-none"
          d={body(lead)}
        />{:else}<circle
          class="fill-raised"
          cx={lead.a.x + (lead.b.x - lead.a.x) * 0.68}
          cy={lead.a.y + (lead.b.y - lead.a.y) * 0.68}
          r=".34"
        />{/if}
      {#if isLit(lead) && (lead.kind === 'resistor' || lead.kind === 'capacitor')}<text
          class="value fill-ink font-mono pointer-events-none text-[1.05px] [text-anchor:middle] [paint-order:stroke] stroke-raised stroke-[0.35px]"
          x={lead.bend.x}
          y={lead.bend.y - 0.8}>{say(lead.value)}</text
        >{/if}
    {/if}
    <circle class="fill-ink" cx={lead.a.x} cy={lead.a.y} r=".34" /><circle
      class="fill-ink"
      cx={lead.b.x}
      cy={lead.b.y}
      r=".34"
    />
  </g>
{/each}
