<script lang="ts">
  import Moon from '@lucide/svelte/icons/moon';
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Search from '@lucide/svelte/icons/search';
  import Sun from '@lucide/svelte/icons/sun';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import PlanMenu from './PlanMenu.svelte';

  let { openFile }: { openFile: () => void } = $props();
  const time = $derived(
    workbench.savedAt?.toLocaleTimeString(undefined, { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' }) ?? '',
  );
</script>

<header class="screen-only">
  <div class="bar">
    <span class="brand">Idle Breadboard</span>
    <PlanMenu {openFile} />
    <span class="grow"></span>
    {#if workbench.plan}
      <button
        type="button"
        class="act bare"
        disabled={!workbench.canUndo}
        aria-label="undo{workbench.canUndo ? `: ${workbench.undoWhat}` : ''}"
        title={workbench.canUndo ? `undo: ${workbench.undoWhat}` : 'nothing to undo'}
        onclick={() => workbench.undo()}><Undo2 size={16} /></button
      >
      <button
        type="button"
        class="act bare"
        disabled={!workbench.canRedo}
        aria-label="redo{workbench.canRedo ? `: ${workbench.redoWhat}` : ''}"
        title={workbench.canRedo ? `redo: ${workbench.redoWhat}` : 'nothing to redo'}
        onclick={() => workbench.redo()}><Redo2 size={16} /></button
      >
    {/if}
    <button type="button" class="act find" onclick={() => (view.sheet = 'find')}
      ><Search size={14} />find or do<kbd class="value unit">/</kbd></button
    >
    <button
      type="button"
      class="act bare"
      aria-label={view.theme === 'dark' ? 'light by day' : 'dark by night'}
      title={view.theme === 'dark' ? 'day' : 'night'}
      onclick={() => view.setTheme(view.theme === 'dark' ? 'light' : 'dark')}
    >
      {#if view.theme === 'dark'}<Sun size={16} />{:else}<Moon size={16} />{/if}
    </button>
    <span class="saved unit" class:pending={workbench.unsaved > 0} data-unsaved={workbench.unsaved} role="status">
      {#if workbench.saveTrouble}<strong class="text-danger">not saved: {workbench.saveTrouble}</strong
        >{:else if time}saved <span class="value">{time}</span>{/if}
    </span>
  </div>
  <div class="rails" aria-hidden="true"></div>
</header>

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 8px;
    padding: 5px 12px;
    min-height: 40px;
  }
  .brand {
    font-weight: 720;
    font-size: 1.1rem;
    letter-spacing: -0.01em;
  }
  .find {
    min-width: 10em;
    justify-content: flex-start;
  }
  kbd {
    margin-left: auto;
    font-size: 0.85rem;
  }
  /* The time is that of the last change in the store; one is on its way. */
  .pending {
    opacity: 0.55;
  }
  .saved {
    min-width: 6.6em;
    text-align: right;
  }
  /* The two supply lines along the edge of a board. */
  .rails {
    height: 6px;
    border-top: 2px solid var(--rail-red);
    border-bottom: 2px solid var(--rail-blue);
  }
  @media (max-width: 759px) {
    .find {
      min-width: 0;
    }
    .saved {
      min-width: 0;
    }
  }
</style>
