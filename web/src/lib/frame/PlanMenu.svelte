<!-- The shelf of plans, and files in and out. -->
<script lang="ts">
  import { DropdownMenu } from 'bits-ui';
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import { button } from '../kit/button';
  import { menu } from '../kit/menu';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { doExport, exportAll, startPlan } from '../kit/actions';

  let { openFile }: { openFile: () => void } = $props();
  // It was pressed before it was there.
  let open = $state(true);
</script>

<DropdownMenu.Root bind:open>
  <DropdownMenu.Trigger
    class={button({ class: 'plan-name max-w-[min(24em,60vw)] max-[479px]:max-w-[calc(100vw-15.5em)] font-semibold' })}
    title={workbench.plan?.name}
  >
    <span class="truncate">{workbench.plan?.name ?? 'no plan'}</span><ChevronDown size={14} />
  </DropdownMenu.Trigger>
  <DropdownMenu.Portal>
    <DropdownMenu.Content class={menu.content()} align="start" sideOffset={4}>
      <DropdownMenu.Group aria-label="plans">
        {#each workbench.plans as plan (plan.id)}
          <DropdownMenu.Item class={menu.item()} onSelect={() => void view.open(plan.id, view.station)}>
            <span class="mark text-copper" aria-hidden="true">{plan.id === workbench.plan?.id ? '●' : '○'}</span><span
              class="truncate">{plan.name}</span
            >
          </DropdownMenu.Item>
        {/each}
      </DropdownMenu.Group>
      <DropdownMenu.Separator class={menu.line()} />
      <DropdownMenu.Item class={menu.item()} onSelect={() => void view.leave()}>The shelf</DropdownMenu.Item>
      <DropdownMenu.Item class={menu.item()} onSelect={() => void view.leave(true)}>Start my build</DropdownMenu.Item>
      <DropdownMenu.Item class={menu.item()} onSelect={startPlan}>New plan</DropdownMenu.Item>
      <DropdownMenu.Item class={menu.item()} onSelect={openFile}>Import a file</DropdownMenu.Item>
      <DropdownMenu.Item class={menu.item()} onSelect={() => view.openCatalogue()}>Catalogue of cards</DropdownMenu.Item
      >
      <DropdownMenu.Item class={menu.item()} onSelect={exportAll}>Export everything</DropdownMenu.Item>
      {#if workbench.plan}
        <DropdownMenu.Item class={menu.item()} onSelect={doExport}>Export this plan</DropdownMenu.Item>
        <DropdownMenu.Item class={menu.item()} onSelect={() => workbench.duplicate()}
          >Duplicate this plan</DropdownMenu.Item
        >
        <DropdownMenu.Item class={menu.item()} onSelect={() => (view.sheet = 'rules')}
          >Name and my rules</DropdownMenu.Item
        >
        <DropdownMenu.Item class={menu.item({ class: 'text-danger' })} onSelect={() => (view.sheet = 'remove')}
          >Remove this plan</DropdownMenu.Item
        >
      {/if}
    </DropdownMenu.Content>
  </DropdownMenu.Portal>
</DropdownMenu.Root>
