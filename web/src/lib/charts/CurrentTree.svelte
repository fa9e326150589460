<!-- From each source to every part: limbs as wide as the current, the usual inside the peak, with marks where a limit is. -->
<script lang="ts">
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import ChartFrame from './ChartFrame.svelte';
  import { currentNodes, currentTree, type CurrentNode, type Limb } from './current-tree';

  let { circuit, go }: { circuit: Circuit; /** To the row of a rail. */ go: (rail: string) => void } = $props();
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
  <div
    class="scroll overflow-x-auto"
    tabindex={tree.width > width ? 0 : undefined}
    role="group"
    aria-label="current tree"
  >
    <svg
      viewBox="0 0 {tree.width} {tree.height}"
      width={tree.width}
      height={tree.height}
      role="group"
      aria-label="Currents from the sources to the parts"
    >
      {#each tree.limbs as limb (limb.id)}
        <path
          d={limb.path}
          class="peak fill-copper [fill-opacity:30%] data-over:fill-fault"
          data-over={limb.over || undefined}
        />
        <path d={limb.usualPath} class="fill-copper data-over:fill-fault" data-over={limb.over || undefined} />
      {/each}
      {#each tree.limbs as limb (limb.id)}
        {#if !limb.leaf || limb.node.rail}
          <rect x={limb.x - 1.5} y={limb.y - limb.height / 2} width="3" height={limb.height} class="fill-ink" />
        {/if}
        {#if limb.limitHeight !== null}
          <path
            class="fill-none stroke-ink stroke-[1.4] data-short:stroke-danger"
            data-short={limb.over || undefined}
            d="M{limb.x + 6} {limb.y - limb.limitHeight / 2}H{limb.x - 4}V{limb.y - limb.limitHeight / 2 + 4}M{limb.x +
              6} {limb.y + limb.limitHeight / 2}H{limb.x - 4}V{limb.y + limb.limitHeight / 2 - 4}"
          />
        {/if}
      {/each}
      {#each tree.limbs as limb (limb.id)}
        {#if limb.leaf && !limb.node.rail}
          <text
            class="text-mark font-sans fill-ink [paint-order:stroke] stroke-board stroke-[3px] [stroke-linejoin:round]"
            x={limb.x + 7}
            y={limb.y + 4}
            ><title>{limb.node.label}</title>{short(limb.node.label, 118)}<tspan
              class="figure text-mark font-mono fill-quiet"
              dx="6">{A(limb.node.out.peak)}</tspan
            ></text
          >
        {:else}
          {@const lines = limb.node.heat ? 3 : 2}
          {@const edge = Math.max(limb.height, limb.limitHeight ?? 0) / 2}
          {@const top = limb.sinks ? limb.y + edge + 13 : limb.y - edge - 6 - (lines - 1) * 11}
          {@const anchor = limb.depth === 0 ? 'start' : 'end'}
          {@const x = limb.depth === 0 ? 2 : limb.x + 3}
          <g
            class="cursor-pointer hover:[&_.rail]:fill-copper focus-visible:outline-2 focus-visible:outline-copper"
            role="link"
            tabindex="0"
            onclick={() => limb.node.rail && go(limb.node.rail)}
            onkeydown={(event) => event.key === 'Enter' && limb.node.rail && go(limb.node.rail)}
          >
            <!-- Large enough to be hit with a thumb. -->
            <rect
              class="fill-transparent"
              x={anchor === 'start' ? x : x - 130}
              y={top - 14}
              width="130"
              height={Math.max(30, lines * 11 + 10)}
            />
            <text
              class="rail text-mark font-sans fill-ink [paint-order:stroke] stroke-board stroke-[3px] [stroke-linejoin:round] font-semibold"
              text-anchor={anchor}
              {x}
              y={top}><title>{limb.node.label}</title>{short(limb.node.label, tree.column * 1.25)}</text
            >
            <text
              class="figure [paint-order:stroke] stroke-board stroke-[3px] [stroke-linejoin:round] text-mark font-mono fill-quiet data-short:fill-danger data-short:font-semibold"
              data-short={limb.over || undefined}
              text-anchor={anchor}
              {x}
              y={top + 11}>{railSays(limb)}</text
            >
            {#if limb.node.heat}
              <text
                class="heat [paint-order:stroke] stroke-board stroke-[3px] [stroke-linejoin:round] text-mark font-mono fill-fault"
                text-anchor={anchor}
                {x}
                y={top + 22}
                >{formatQuantity(limb.node.heat.watts, 'W', 2)}, {formatQuantity(limb.node.heat.surface, '°C')}</text
              >
            {/if}
          </g>
        {/if}
      {/each}
    </svg>
  </div>
</ChartFrame>
