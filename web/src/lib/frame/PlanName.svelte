<!-- The name of the open plan. Pressed, it becomes what opens the menu, which comes when it is wanted. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import Button from '../kit/Button.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { openFile }: { openFile: () => void } = $props();
  let wanted = $state(false);
</script>

{#snippet name()}
  <Button
    class="plan-name max-w-[min(24em,60vw)] max-[479px]:max-w-[calc(100vw-15.5em)] font-semibold"
    title={workbench.plan?.name}
    aria-haspopup="menu"
    aria-expanded={false}
    onclick={() => (wanted = true)}
    onkeydown={(event) => {
      if (event.key !== 'ArrowDown') return;
      event.preventDefault();
      wanted = true;
    }}><span class="truncate">{workbench.plan?.name ?? 'no plan'}</span><ChevronDown size={14} /></Button
  >
{/snippet}

{#if wanted}
  {#await import('./PlanMenu.svelte')}{@render name()}{:then { default: PlanMenu }}<PlanMenu
      {openFile}
    />{:catch}{@render name()}{/await}
{:else}{@render name()}{/if}
