<!-- Nothing on the shelf yet. -->
<script lang="ts">
  import { demoPlans } from '../catalogue';
  import { workbench } from '../state/workbench.svelte';
  import { startPlan } from '../kit/actions';

  let { openFile }: { openFile: () => void } = $props();
</script>

<section class="m-auto max-w-xl p-6" aria-label="start">
  <h1 class="text-2xl font-bold">No plan on the shelf</h1>
  <p class="my-3">
    Say what the build must sense, choose parts, and every level, address, pin and current is checked with its sum
    before you touch a wire. Plans stay in this browser.
  </p>
  <div class="flex flex-wrap gap-2">
    <button type="button" class="act" onclick={startPlan}>Start an empty plan</button>
    <button type="button" class="act" onclick={openFile}>Import a plan file</button>
    {#await demoPlans() then demos}{#each demos as demo (demo.plan.id)}<button
          type="button"
          class="act"
          onclick={() => workbench.openNew(demo)}>Look at “{demo.plan.name}”</button
        >{/each}{/await}
  </div>
</section>
