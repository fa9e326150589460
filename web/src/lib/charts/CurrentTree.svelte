<!-- From each source to every part: limbs as wide as the current, the usual inside the peak, with marks where a limit is. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import ChartFrame from './ChartFrame.svelte';
  import { currentNodes, currentTree, type CurrentNode, type Limb } from './current-tree';

  let { circuit }: { circuit: Circuit } = $props();
  let width = $state(600);
  const nodes = $derived(currentNodes(circuit));
  const tree = $derived(currentTree(nodes, width));
  const A = (x: number) => formatQuantity(x, 'A');

  const flat = (list: readonly CurrentNode[]): CurrentNode[] => list.flatMap((node) => [node, ...flat(node.children)]);
  const rows = $derived(
    flat(nodes).map((node) => [
      node.label,
      A(node.out.typical),
      A(node.out.peak),
      node.limit === null ? '' : A(node.limit),
      node.heat ? `${formatQuantity(node.heat.watts, 'W')}, ${formatQuantity(node.heat.surface, '°C')}` : '',
    ]),
  );
  const railSays = ({ node, over }: Limb) =>
    `${A(node.out.peak)}${node.limit === null ? '' : over ? `, ${A(node.limit)} allowed` : ` of ${A(node.limit)}`}`;
  const short = (text: string, room: number) => {
    const most = Math.max(6, Math.floor(room / 6.4));
    return text.length > most ? `${text.slice(0, most - 1)}…` : text;
  };
</script>

<ChartFrame
  caption="Currents from the sources to the parts"
  heads={['rail or part', 'usually', 'peak', 'allowed', 'heat']}
  {rows}
  bind:width
>
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="scroll" tabindex={tree.width > width ? 0 : undefined} role="group" aria-label="current tree">
    <svg
      viewBox="0 0 {tree.width} {tree.height}"
      width={tree.width}
      height={tree.height}
      role="img"
      aria-label="Currents from the sources to the parts"
    >
      {#each tree.limbs as limb (limb.id)}
        <path d={limb.path} class="peak" class:over={limb.over} />
        <path d={limb.usualPath} class="usual" class:over={limb.over} />
      {/each}
      {#each tree.limbs as limb (limb.id)}
        {#if !limb.leaf || limb.node.rail}
          <rect x={limb.x - 1.5} y={limb.y - limb.height / 2} width="3" height={limb.height} class="post" />
        {/if}
        {#if limb.limitHeight !== null}
          <path
            class="limit"
            class:short={limb.over}
            d="M{limb.x + 6} {limb.y - limb.limitHeight / 2}H{limb.x - 4}V{limb.y - limb.limitHeight / 2 + 4}M{limb.x +
              6} {limb.y + limb.limitHeight / 2}H{limb.x - 4}V{limb.y + limb.limitHeight / 2 - 4}"
          />
        {/if}
      {/each}
      {#each tree.limbs as limb (limb.id)}
        {#if limb.leaf && !limb.node.rail}
          <text x={limb.x + 7} y={limb.y + 4}
            ><title>{limb.node.label}</title>{short(limb.node.label, 118)}<tspan class="figure" dx="6"
              >{A(limb.node.out.peak)}</tspan
            ></text
          >
        {:else}
          {@const lines = limb.node.heat ? 3 : 2}
          {@const edge = Math.max(limb.height, limb.limitHeight ?? 0) / 2}
          {@const top = limb.sinks ? limb.y + edge + 13 : limb.y - edge - 6 - (lines - 1) * 11}
          {@const anchor = limb.depth === 0 ? 'start' : 'end'}
          {@const x = limb.depth === 0 ? 2 : limb.x + 3}
          <text class="rail" text-anchor={anchor} {x} y={top}
            ><title>{limb.node.label}</title>{short(limb.node.label, tree.column * 1.25)}</text
          >
          <text class="figure" class:short={limb.over} text-anchor={anchor} {x} y={top + 11}>{railSays(limb)}</text>
          {#if limb.node.heat}
            <text class="heat" text-anchor={anchor} {x} y={top + 22}
              >{formatQuantity(limb.node.heat.watts, 'W', 2)}, {formatQuantity(limb.node.heat.surface, '°C')}</text
            >
          {/if}
        {/if}
      {/each}
    </svg>
  </div>
</ChartFrame>

<style>
  .scroll {
    overflow-x: auto;
  }
  .peak {
    fill: var(--copper);
    opacity: 0.3;
  }
  .usual {
    fill: var(--copper);
  }
  .peak.over,
  .usual.over {
    fill: var(--fault);
  }
  .post {
    fill: var(--ink);
  }
  .limit {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.4;
  }
  .limit.short {
    stroke: var(--danger);
  }
  text {
    font: 11px var(--font-sans);
    fill: var(--ink);
    paint-order: stroke;
    stroke: var(--board);
    stroke-width: 3px;
    stroke-linejoin: round;
  }
  .rail {
    font-weight: 620;
  }
  .figure {
    font: 10.5px var(--font-mono);
    fill: var(--quiet);
  }
  .figure.short {
    fill: var(--danger);
    font-weight: 650;
  }
  .heat {
    font: 10.5px var(--font-mono);
    fill: var(--fault);
  }
</style>
