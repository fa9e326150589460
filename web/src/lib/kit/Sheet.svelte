<!-- A sheet laid over the bench. Focus stays inside until it is closed. -->
<script lang="ts">
  import { Dialog } from 'bits-ui';
  import X from '@lucide/svelte/icons/x';
  import type { Snippet } from 'svelte';

  let {
    open,
    title,
    wide = false,
    tall = false,
    close,
    children,
  }: { open: boolean; title: string; wide?: boolean; tall?: boolean; close: () => void; children: Snippet } = $props();

  /** Where there is something to type, typing can begin at once. */
  function focusField(event: Event) {
    const field = document.querySelector<HTMLElement>('.sheet input');
    if (!field) return;
    event.preventDefault();
    field.focus();
  }
</script>

<!-- Whether it closes is said by who opened it: what would be lost may be asked about first. -->
<Dialog.Root bind:open={() => open, (next) => !next && close()}>
  <Dialog.Portal>
    <Dialog.Overlay class="sheet-shade" />
    <Dialog.Content class="sheet {wide ? 'wide' : ''} {tall ? 'tall' : ''}" onOpenAutoFocus={focusField}>
      <div class="flex items-center gap-2 border-b border-quiet px-3 py-1">
        <Dialog.Title class="m-0 grow text-base font-semibold">{title}</Dialog.Title>
        <Dialog.Close class="act bare" aria-label="close"><X size={16} /></Dialog.Close>
      </div>
      {@render children()}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>

<style>
  :global(.sheet-shade) {
    position: fixed;
    inset: 0;
    z-index: 40;
    background: rgb(20 18 14 / 0.45);
  }
  :global(.sheet) {
    position: fixed;
    z-index: 41;
    top: 8vh;
    left: 50%;
    transform: translateX(-50%);
    width: min(640px, calc(100vw - 24px));
    max-height: 84vh;
    display: flex;
    flex-direction: column;
    overflow: hidden;
    background: var(--board);
    border: 1px solid var(--quiet);
    border-top: 3px solid var(--rail-red);
    border-bottom: 3px solid var(--rail-blue);
    border-radius: 2px;
  }
  :global(.sheet.tall) {
    top: 3vh;
    height: 94vh;
    max-height: 94vh;
    width: min(1240px, calc(100vw - 24px));
  }
  :global(.sheet.wide) {
    width: min(1080px, calc(100vw - 24px));
  }
</style>
