<script lang="ts">
  import Button from '../kit/Button.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
</script>

<Sheet open={view.sheet === 'remove'} title="Remove this plan" close={() => (view.sheet = null)}>
  <div class="p-3">
    <p>
      “{workbench.plan?.name}” and its whole history leave this browser. There is no way back, except from a file
      exported before.
    </p>
    <div class="mt-3 flex gap-2">
      <Button
        onclick={() => {
          view.sheet = null;
          void workbench.remove();
        }}>Remove it</Button
      >
      <Button onclick={() => (view.sheet = null)}>Keep it</Button>
    </div>
  </div>
</Sheet>
