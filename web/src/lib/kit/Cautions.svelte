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
  <aside class="border-l-4 border-l-caution bg-raised py-1.5 pr-3 pl-3.5 border-b relative z-2" aria-label="Safety">
    <p class="mb-0.5">{say(BENCH_RULE)}</p>
    {#if said.length > 0}<details>
        <summary>In this build, too: <strong>{hazards.join(', ')}</strong>; each is said again at its step</summary>
        <ul class="pl-3.5 list-[square]">
          {#each said as caution (caution.says)}
            <li class="py-px"><strong>{caution.hazard}</strong> · {say(caution.labels)}: {caution.says}</li>
          {/each}
        </ul>
      </details>{/if}
  </aside>
{/if}
