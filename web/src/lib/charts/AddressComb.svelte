<script lang="ts">
  import { sized } from '../kit/sized';
  import { say } from '@idle-breadboard/core/words';
  import type { BusNode } from '@idle-breadboard/core/circuit';
  import { comb, tagY } from './address-comb';

  let { bus }: { bus: BusNode } = $props();
  let width = $state(560);
  const drawn = $derived(comb(bus, Math.max(280, width)));
</script>

<div class="w-full overflow-x-auto" {@attach sized((w) => (width = w))}>
  <svg
    viewBox="0 0 {drawn.width} {drawn.height}"
    width={drawn.width}
    height={drawn.height}
    role="img"
    aria-label="Addresses on {bus.name}: {bus.members
      .map((m) => `${say(m.label)} at ${m.address ?? 'none'}`)
      .join(', ')}"
  >
    {#each drawn.marks as mark (mark.text)}<text
        class="mark text-mark font-mono fill-quiet"
        x={mark.x}
        y="9"
        text-anchor={mark.x < 16 ? 'start' : 'middle'}>{mark.text}</text
      >{/each}
    <path d="M2 14H{drawn.width - 2}" stroke="var(--ink)" stroke-width="2" />
    {#each drawn.teeth as tooth (tooth.address)}
      <path
        d="M{tooth.x} 14V{tooth.reserved ? 18 : 25}"
        stroke={tooth.reserved ? 'var(--danger)' : 'var(--quiet)'}
        stroke-width="1.2"
      />
    {/each}
    {#each drawn.tags as tag (tag.key)}
      {#if tag.taken}
        <path d="M{tag.x} 14V{tagY(tag.row) + 3}" stroke="var(--{tag.clash ? 'fault' : 'copper'})" stroke-width="2.4" />
        <circle cx={tag.x} cy={tagY(tag.row) + 3} r="3.4" fill="var(--{tag.clash ? 'fault' : 'copper'})" />
        <text
          class="text-mark font-mono fill-ink data-clash:fill-fault data-clash:font-semibold"
          data-clash={tag.clash || undefined}
          x={tag.flipped ? tag.x - 7 : tag.x + 7}
          y={tagY(tag.row) + 7}
          text-anchor={tag.flipped ? 'end' : 'start'}>{tag.label}</text
        >
      {:else}
        <circle cx={tag.x} cy="26" r="2.4" fill="var(--board)" stroke="var(--copper)" stroke-width="1.3"
          ><title>{tag.label}</title></circle
        >
      {/if}
    {/each}
  </svg>
</div>
