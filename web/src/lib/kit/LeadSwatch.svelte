<!-- The wire itself, in its colour, with the ends that it has; the colour is always named beside it. -->
<script lang="ts">
  import type { LeadEnd } from '@idle-breadboard/core/card';
  import type { Lead } from '@idle-breadboard/core/circuit';
  import { inkOf } from '@idle-breadboard/core/files';

  let { lead }: { lead: Pick<Lead, 'kind' | 'colour' | 'ends'> } = $props();
  const ink = $derived(inkOf(lead.colour));
  const tip = (end: LeadEnd, x: number) =>
    end === 'male' ? `M${x} 6h${x < 20 ? -6 : 6}` : end === 'female' ? `M${x - 4} 3h8v6h-8z` : '';
</script>

<svg class="inline-block mr-1.5 align-[-1px]" viewBox="0 0 48 12" width="48" height="12" aria-hidden="true">
  {#if lead.kind === 'resistor'}
    <path d="M2 6H12M36 6H46" stroke="var(--quiet)" stroke-width="1.5" /><rect
      x="12"
      y="2"
      width="24"
      height="8"
      fill="none"
      stroke="var(--quiet)"
      stroke-width="1.5"
    />
  {:else if lead.kind === 'capacitor'}
    <path d="M2 6H21M27 6H46M21 1V11M27 1V11" stroke="var(--quiet)" stroke-width="1.5" fill="none" />
  {:else if lead.kind === 'switch'}
    <path d="M2 8H16M32 8H46M16 8 31 2" stroke="var(--quiet)" stroke-width="1.5" fill="none" />
  {:else if lead.kind === 'diode'}
    <path d="M2 6H18M31 6H46M18 1.5 30 6 18 10.5zM31 1.5V10.5" stroke="var(--quiet)" stroke-width="1.5" fill="none" />
  {:else}
    <path d="M9 6H39" stroke="var(--ink)" stroke-width="5" opacity="0.35" /><path
      d="M9 6H39"
      stroke={ink}
      stroke-width="3.6"
    />
    <path d="{tip(lead.ends[0], 9)}{tip(lead.ends[1], 39)}" stroke="var(--ink)" stroke-width="1.6" fill="var(--ink)" />
  {/if}
</svg>
