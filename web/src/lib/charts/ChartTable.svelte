<!-- What a chart shows, as a table: for a screen reader, for copying. -->
<script lang="ts">
  import Table from '@lucide/svelte/icons/table-2';

  interface Props {
    caption: string;
    heads: readonly string[];
    rows: readonly (readonly string[])[];
  }
  let { caption, heads, rows }: Props = $props();
  let open = $state(false);
</script>

<details class="as-table" bind:open>
  <summary title="as a table"><Table size={13} /><span class="sr-only">{caption}, as a table</span></summary>
  {#if open}
    <table>
      <caption>{caption}</caption>
      <thead
        ><tr
          >{#each heads as head (head)}<th scope="col">{head}</th>{/each}</tr
        ></thead
      >
      <tbody>
        {#each rows as row, i (i)}
          <tr
            >{#each row as cell, k (k)}{#if k === 0}<th scope="row">{cell}</th>{:else}<td class="value">{cell}</td
                >{/if}{/each}</tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
</details>

<style>
  .as-table {
    min-width: 0;
    margin-left: auto;
  }
  .as-table[open] {
    flex-basis: 100%;
    margin-left: 0;
  }
  summary {
    display: inline-flex;
    min-height: 24px;
    min-width: 24px;
    align-items: center;
    justify-content: center;
    list-style: none;
    cursor: pointer;
    color: var(--quiet);
  }
  summary:hover {
    color: var(--copper);
  }
  table {
    border-collapse: collapse;
    font-size: 0.9rem;
    margin-bottom: 6px;
  }
  caption {
    text-align: left;
    color: var(--quiet);
  }
  th,
  td {
    text-align: left;
    font-weight: 400;
    padding: 1px 14px 1px 0;
    border-top: 1px dotted var(--line);
  }
</style>
