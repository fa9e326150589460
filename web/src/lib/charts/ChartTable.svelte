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

<details class="as-table min-w-0 ml-auto open:basis-full open:ml-0" bind:open>
  <summary
    class="inline-flex min-h-6 min-w-6 items-center justify-center cursor-pointer text-quiet hover:text-copper"
    title="as a table"><Table size={13} /><span class="sr-only">{caption}, as a table</span></summary
  >
  {#if open}
    <table class="text-aside mb-1.5">
      <caption class="text-left text-quiet">{caption}</caption>
      <thead
        ><tr
          >{#each heads as head (head)}<th class="text-left font-normal py-px pr-3.5 border-t border-dotted" scope="col"
              >{head}</th
            >{/each}</tr
        ></thead
      >
      <tbody>
        {#each rows as row, i (i)}
          <tr
            >{#each row as cell, k (k)}{#if k === 0}<th
                  class="text-left font-normal py-px pr-3.5 border-t border-dotted"
                  scope="row">{cell}</th
                >{:else}<td class="value text-left font-normal py-px pr-3.5 pl-0 border-t border-dotted border-t-line"
                  >{cell}</td
                >{/if}{/each}</tr
          >
        {/each}
      </tbody>
    </table>
  {/if}
</details>
