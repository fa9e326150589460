<!-- The groove between the banks: drag to share the width, double-click to level, arrow keys too. -->
<script lang="ts">
  import { view } from '../state/view.svelte';

  let element = $state<HTMLElement>();

  function drag(event: PointerEvent) {
    const bounds = element?.parentElement?.getBoundingClientRect();
    if (bounds && event.buttons === 1) view.setSplit((event.clientX - bounds.left) / bounds.width);
  }

  function key(event: KeyboardEvent) {
    const step = event.key === 'ArrowLeft' ? -0.02 : event.key === 'ArrowRight' ? 0.02 : 0;
    if (step !== 0) view.setSplit(view.split + step);
    else if (event.key === 'Home') view.setSplit(0.5);
    else return;
    event.preventDefault();
  }
</script>

<div
  class="absolute [inset-block:0] left-[calc(var(--split)_*_100%)] w-2 z-2 cursor-col-resize touch-none bg-bench border-x max-desk:hidden hover:bg-copper-soft"
  role="slider"
  tabindex="0"
  aria-orientation="horizontal"
  aria-label="width of decisions and proofs"
  aria-valuemin="25"
  aria-valuemax="70"
  aria-valuenow={Math.round(view.split * 100)}
  bind:this={element}
  onpointerdown={(event) => element?.setPointerCapture(event.pointerId)}
  onpointermove={drag}
  ondblclick={() => view.setSplit(0.5)}
  onkeydown={key}
></div>
