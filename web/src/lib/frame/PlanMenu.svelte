<!-- The shelf of plans, and files in and out. -->
<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { doExport, startPlan } from '../kit/actions';

  let { openFile }: { openFile: () => void } = $props();
</script>

<DropdownMenu.Root>
  <DropdownMenu.Trigger class="act plan-name" title={workbench.plan?.name}>
    <span class="truncate">{workbench.plan?.name ?? 'no plan'}</span><ChevronDown size={14} />
  </DropdownMenu.Trigger>
  <DropdownMenu.Portal>
    <DropdownMenu.Content class="menu" align="start" sideOffset={4}>
      <DropdownMenu.Group aria-label="plans">
        {#each workbench.plans as plan (plan.id)}
          <DropdownMenu.Item class="menu-item" onSelect={() => workbench.open(plan.id)}>
            <span class="mark" aria-hidden="true">{plan.id === workbench.plan?.id ? '●' : '○'}</span><span
              class="truncate">{plan.name}</span
            >
          </DropdownMenu.Item>
        {/each}
      </DropdownMenu.Group>
      <DropdownMenu.Separator class="menu-line" />
      <DropdownMenu.Item class="menu-item" onSelect={startPlan}>New plan</DropdownMenu.Item>
      <DropdownMenu.Item class="menu-item" onSelect={openFile}>Import a plan file</DropdownMenu.Item>
      <DropdownMenu.Item class="menu-item" onSelect={() => view.openCatalogue()}>Catalogue of cards</DropdownMenu.Item>
      {#if workbench.plan}
        <DropdownMenu.Item class="menu-item" onSelect={doExport}>Export this plan</DropdownMenu.Item>
        <DropdownMenu.Item class="menu-item" onSelect={() => workbench.duplicate()}
          >Duplicate this plan</DropdownMenu.Item
        >
        <DropdownMenu.Item class="menu-item" onSelect={() => (view.sheet = 'rules')}
          >Name and my rules</DropdownMenu.Item
        >
        <DropdownMenu.Item class="menu-item text-danger" onSelect={() => (view.sheet = 'remove')}
          >Remove this plan</DropdownMenu.Item
        >
      {/if}
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
</DropdownMenu.Root>

<style>
  :global(.plan-name) {
    max-width: min(24em, 60vw);
    font-weight: 600;
  }
  :global(.menu) {
    z-index: 50;
    min-width: 16em;
    max-width: min(26em, 92vw);
    max-height: 70vh;
    overflow-y: auto;
    padding: 4px;
    background: var(--raised);
    border: 1px solid var(--quiet);
    border-radius: 2px;
  }
  :global(.menu-item) {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: var(--row);
    padding: 0 8px;
    outline: none;
  }
  :global(.menu-item[data-highlighted]) {
    background: var(--copper-soft);
    box-shadow: inset 3px 0 var(--copper);
  }
  :global(.menu-line) {
    height: 1px;
    margin: 4px 0;
    background: var(--line);
  }
  .mark {
    color: var(--copper);
  }
</style>
