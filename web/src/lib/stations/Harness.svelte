<!-- What colour goes on as what colour, wherever wires meet that are not alike. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import type { ColourChange } from '@idle-breadboard/core/deliver';
  import LeadSwatch from '../kit/LeadSwatch.svelte';

  let { changes }: { changes: readonly ColourChange[] } = $props();
</script>

{#if changes.length > 0}
  <section class="py-2 px-2.5">
    <h2 class="mb-0.5 text-row font-semibold">Where colours meet</h2>
    <table class="w-full">
      <thead
        ><tr
          ><th class="text-left font-normal text-quiet">Where</th><th class="text-left font-normal text-quiet">Line</th
          ><th class="text-left font-normal text-quiet">Wires</th></tr
        ></thead
      >
      <tbody>
        {#each changes as change, i (i)}
          <tr>
            <td class="py-0.5 pr-2 align-top border-t wrap-anywhere">{say(change.where)}</td>
            <td class="py-0.5 pr-2 align-top border-t wrap-anywhere">{say(change.line)}</td>
            <td class="py-0.5 pr-2 align-top border-t wrap-anywhere">
              {#each change.wires as wire, i (i)}<div>
                  <LeadSwatch lead={{ kind: 'own', colour: wire.colour, ends: ['bare', 'bare'] }} />{wire.colour} to {say(
                    wire.to,
                  )}
                </div>{/each}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  </section>
{/if}
