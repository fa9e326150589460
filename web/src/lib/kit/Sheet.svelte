<!-- A sheet laid over the bench. Focus stays inside until it is closed. -->
<script lang="ts">
  import { Dialog } from 'bits-ui';
  import X from '@lucide/svelte/icons/x';
  import type { Snippet } from 'svelte';
  import { button } from './button';
  import { sheet } from './sheet';

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
    <Dialog.Overlay class="fixed inset-0 z-40 bg-[rgb(20_18_14/0.45)]" />
    <Dialog.Content class={sheet({ size: tall ? 'tall' : wide ? 'wide' : 'plain' })} onOpenAutoFocus={focusField}>
      <div class="flex items-center gap-2 border-b border-quiet px-3 py-1">
        <Dialog.Title class="m-0 grow text-base font-semibold">{title}</Dialog.Title>
        <Dialog.Close class={button({ kind: 'bare' })} aria-label="close"><X size={16} /></Dialog.Close>
      </div>
      {@render children()}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
