<!-- The heads of the two banks, what can be done at the station, and the rows below. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import Channel from './Channel.svelte';

  interface Props {
    title: string;
    says: string;
    tools?: Snippet;
    /** Over both banks, below their heads. */
    bar?: Snippet;
    children: Snippet;
  }
  let { title, says, tools, bar, children }: Props = $props();
  /** What stays in sight while the rows move under it. */
  let heads = $state(0);
</script>

<section class="station" aria-label={title} style:--heads="{heads}px">
  <header class="heads" bind:clientHeight={heads}>
    <div class="left">
      <h1>{title}</h1>
      <span class="unit">{says}</span>{#if tools}<span class="tools">{@render tools()}</span>{/if}
    </div>
    <div class="right eyebrow">Proof</div>
    {#if bar}<div class="bar">{@render bar()}</div>{/if}
  </header>
  <div class="rows"><Channel />{@render children()}</div>
</section>

<style>
  .station {
    display: flex;
    flex-direction: column;
    min-height: 100%;
  }
  .heads {
    display: grid;
    grid-template-columns: calc(var(--split) * 100%) minmax(0, 1fr);
    align-items: center;
    position: sticky;
    top: 0;
    z-index: 4;
    background: var(--bench);
    border-bottom: 1px solid var(--quiet);
  }
  .left {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 2px 10px;
    padding: 5px 12px 5px 10px;
    min-width: 0;
  }
  .tools {
    display: inline-flex;
    flex-wrap: wrap;
    gap: 6px;
    margin-left: auto;
  }
  .right {
    padding-left: 20px;
  }
  .bar {
    grid-column: 1 / -1;
  }
  h1 {
    margin: 0;
    font-size: 1.2rem;
    font-weight: 680;
  }
  .rows {
    position: relative;
    flex: 1;
    /* Not on the rows: where two meet between pixels, the lower one would paint over the line of the upper. */
    background: var(--board);
  }
  @media (max-width: 759px) {
    .heads {
      grid-template-columns: minmax(0, 1fr);
      position: static;
    }
    .right {
      display: none;
    }
  }
</style>
