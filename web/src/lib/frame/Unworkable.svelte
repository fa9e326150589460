<!-- A plan whose figures could not be worked out: what happened, that it is stored as it is, and the ways on from here. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { fileName, saveFile } from '../kit/save-file';
  import { workbench } from '../state/workbench.svelte';

  /** Nothing is computed for it. */
  async function save() {
    const { writePlan } = await import('@idle-breadboard/core/files');
    if (workbench.document) saveFile(fileName(name, 'json'), writePlan(workbench.document), 'application/json');
  }
  const name = $derived(workbench.plan?.name ?? 'plan');
</script>

<div class="grid gap-3 justify-items-start p-6 max-w-[44em]" role="alert">
  <h1 class="text-title font-semibold">{name} could not be worked out</h1>
  <p>
    The program failed at it, which it should never do: <span class="value whitespace-normal">{workbench.trouble}</span>
  </p>
  <p>
    {workbench.saving.trouble === null
      ? 'The plan is stored as it is.'
      : 'The last change could not be stored either: export it now.'} What was proved of it before does not hold for it now.
    When the app starts again, it opens the shelf and not this plan.
  </p>
  <div class="flex flex-wrap gap-2">
    {#if workbench.canUndo}<Button kind="first" onclick={() => workbench.undo()}>Undo: {workbench.undoWhat}</Button
      >{/if}
    <Button onclick={save}>Export it as it is stored</Button>
    <Button onclick={() => workbench.close()}>Back to the shelf</Button>
  </div>
</div>
