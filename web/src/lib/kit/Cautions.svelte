<!-- What can hurt someone, where the work is done. -->
<script lang="ts">
  import { BENCH_RULE, type WiringPlan } from '@idle-breadboard/core/deliver';
  import { say } from '@idle-breadboard/core/words';

  let { wiring }: { wiring: WiringPlan } = $props();
  /** What asks for a tick stands above with it. */
  const said = $derived(wiring.cautions.filter(({ asks }) => !asks));
  const hazards = $derived([...new Set(said.map(({ hazard }) => hazard))]);
</script>

{#if wiring.cautions.length > 0}
  <aside class="cautions" aria-label="Safety">
    <p>{say(BENCH_RULE)}</p>
    {#if said.length > 0}<details>
        <summary>In this build, too: <strong>{hazards.join(', ')}</strong>; each is said again at its step</summary>
        <ul>
          {#each said as caution (caution.says)}
            <li><strong>{caution.hazard}</strong> · {say(caution.labels)}: {caution.says}</li>
          {/each}
        </ul>
      </details>{/if}
  </aside>
{/if}

<style>
  .cautions {
    border-left: 4px solid var(--caution);
    background: var(--raised);
    padding: 6px 12px 6px 14px;
    border-bottom: 1px solid var(--line);
    position: relative;
    z-index: 3;
  }
  p {
    margin: 0 0 2px;
  }
  ul {
    margin: 0;
    padding-left: 1rem;
    list-style: square;
  }
  li {
    padding-block: 1px;
  }
</style>
