<script lang="ts">
  import Button from '../kit/Button.svelte';
  import CircleQuestionMark from '@lucide/svelte/icons/circle-question-mark';
  import Moon from '@lucide/svelte/icons/moon';
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Search from '@lucide/svelte/icons/search';
  import Sun from '@lucide/svelte/icons/sun';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import { telling } from '../state/telling.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import PlanName from './PlanName.svelte';

  let { openFile }: { openFile: () => void } = $props();
  const { saving } = workbench;
  // The first time that a language is asked for costs more than all else here.
  const time = $derived(saving.at?.toTimeString().slice(0, 'hh:mm'.length) ?? '');
</script>

<header class="screen-only">
  <div class="flex flex-wrap items-center gap-x-2 gap-y-1 py-1 px-3 min-h-10">
    <!-- On a phone what is used stands in one row, and below it what is only read. -->
    <span
      class="font-semibold text-group tracking-[-0.01em] max-[479px]:order-last max-[479px]:text-aside max-[479px]:mr-auto"
      >Idle Breadboard</span
    >
    <PlanName {openFile} />
    <span class="grow"></span>
    {#if workbench.plan}
      <Button
        kind="bare"
        disabled={!workbench.canUndo}
        aria-label="undo{workbench.canUndo ? `: ${workbench.undoWhat}` : ''}"
        title={workbench.canUndo ? `undo: ${workbench.undoWhat}` : 'nothing to undo'}
        onpointerenter={() => workbench.foreseeStep(-1)}
        onclick={() => workbench.undo()}><Undo2 size={16} /></Button
      >
      <Button
        kind="bare"
        disabled={!workbench.canRedo}
        aria-label="redo{workbench.canRedo ? `: ${workbench.redoWhat}` : ''}"
        title={workbench.canRedo ? `redo: ${workbench.redoWhat}` : 'nothing to redo'}
        onpointerenter={() => workbench.foreseeStep(1)}
        onclick={() => workbench.redo()}><Redo2 size={16} /></Button
      >
    {/if}
    <Button
      class="min-w-[10em] justify-start max-desk:min-w-0"
      aria-label="find or do"
      onclick={() => (view.sheet = 'find')}
      ><Search size={14} /><span class="max-[479px]:hidden">find or do</span><kbd
        class="value unit ml-auto text-aside max-[479px]:hidden">/</kbd
      ></Button
    >
    <Button kind="bare" aria-label="keys, marks and words" title="?" onclick={() => (view.sheet = 'keys')}
      ><CircleQuestionMark size={16} /></Button
    >
    <Button
      kind="bare"
      aria-label={view.theme === 'dark' ? 'light by day' : 'dark by night'}
      title={view.theme === 'dark' ? 'day' : 'night'}
      onclick={() => view.setTheme(view.theme === 'dark' ? 'light' : 'dark')}
    >
      {#if view.theme === 'dark'}<Sun size={16} />{:else}<Moon size={16} />{/if}
    </Button>
    <span
      class="saved unit min-w-[6.6em] text-right max-desk:min-w-0 max-[479px]:order-last"
      data-unsaved={saving.unsaved}
      role="status"
    >
      {#if workbench.plan}
        {#if saving.trouble || telling.newer}<strong class="text-danger">not saved</strong>
        {:else if telling.onlyHere}<strong class="text-fault">in this tab only</strong>
        {:else if saving.unsaved > 0}saving
        {:else if time}saved <span class="value">{time}</span>{/if}
      {/if}
    </span>
  </div>
  <div class="rails h-1.5 border-t-2 border-t-rail-red border-b-2 border-b-rail-blue" aria-hidden="true"></div>
</header>
