<!-- What colour goes on as what colour, wherever wires meet that are not alike. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import type { ColourChange } from '@idle-breadboard/core/deliver';
  import LeadSwatch from '../kit/LeadSwatch.svelte';

  let { changes }: { changes: readonly ColourChange[] } = $props();
</script>

{#if changes.length > 0}
  <section>
    <h2>Where colours meet</h2>
    <table>
      <thead><tr><th>Where</th><th>Line</th><th>Wires</th></tr></thead>
      <tbody>
        {#each changes as change, i (i)}
          <tr>
            <td>{say(change.where)}</td>
            <td>{say(change.line)}</td>
            <td>
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

<style>
  section {
    padding: 8px 10px;
  }
  h2 {
    margin: 0 0 2px;
    font-size: 1rem;
    font-weight: 650;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-weight: 400;
    color: var(--quiet);
  }
  td {
    padding: 2px 8px 2px 0;
    vertical-align: top;
    border-top: 1px solid var(--line);
    overflow-wrap: anywhere;
  }
</style>
