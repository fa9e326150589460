<!-- One pin at an edge of the board: its pad, number and name; what it carries or can do; a place to put a line down. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import { dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
  import type { FacePin } from '@idle-breadboard/core/circuit';
  import type { Result } from '@idle-breadboard/core/verify';
  import Lock from '@lucide/svelte/icons/lock';
  import Glyph from '../kit/Glyph.svelte';
  import { capabilityWords, shortWords } from '../kit/capabilities';
  import { pinBoard } from '../state/pin-board.svelte';

  interface Props {
    pin: FacePin;
    side: 'left' | 'right';
    /** The gravest finding about this pin or its line. */
    finding: Result | null;
  }
  let { pin, side, finding }: Props = $props();
  let element = $state<HTMLElement>();
  const use = $derived(pin.use);
  const wish = $derived(use?.wishes[0] ?? null);
  const more = $derived((use?.wishes.length ?? 0) > 1 ? ` and ${(use?.wishes.length ?? 1) - 1} more` : '');
  const duty = $derived(
    [
      use?.pin.strap ? `${use.pin.strap.level} at boot` : '',
      use?.pin.reserved?.by ?? '',
      use?.pin.boot && use.pin.boot.drives !== 'nothing' ? `${use.pin.boot.drives} at the start` : '',
    ].filter(Boolean),
  );
  const name = $derived(
    use
      ? [
          `${pin.terminal.label}, pin ${pin.number}`,
          pin.printed ? `printed ${pin.printed}` : '',
          wish ? `carries ${say(wish.label)}${more}` : `free: ${capabilityWords(use.pin.functions).join(', ')}`,
          ...duty,
          wish?.locked ? 'locked' : '',
          finding ? `${finding.severity}: ${say(finding.message)}` : '',
        ]
          .filter(Boolean)
          .join('; ')
      : `${pin.terminal.label}, pin ${pin.number}, ${pin.terminal.role}`,
  );

  $effect(() => {
    if (!element || !use) return;
    return dropTargetForElements({
      element,
      onDragEnter: () => void pinBoard.look(pin.terminal.id),
      onDragLeave: () => void pinBoard.look(null),
      onDrop: () => pinBoard.drop(pin.terminal.id),
    });
  });

  function press() {
    if (pinBoard.carried) pinBoard.drop(pin.terminal.id);
    else pinBoard.shown = pinBoard.shown === pin.terminal.id ? null : pin.terminal.id;
  }
</script>

<div
  class="place flex items-center justify-end min-w-0 min-h-6 gap-1.5 data-over:bg-copper-soft data-over:outline-1 data-over:outline-copper {side}"
  bind:this={element}
  data-over={pinBoard.over === pin.terminal.id || undefined}
>
  <span
    class="says inline-flex items-center gap-1 min-w-0 flex-1 justify-end overflow-hidden data-free:text-quiet data-free:text-aside"
    data-free={!wish || undefined}
  >
    {#if finding}<Glyph severity={finding.severity} label={false} />{/if}
    {#if wish?.locked}<Lock size={11} />{/if}
    <span class="truncate">{wish ? `${say(wish.label)}${more}` : use ? shortWords(use.pin.functions) : ''}</span>
    {#each duty as word (word)}<span
        class="duty flex-none text-aside px-1 border border-quiet rounded-sm text-ink whitespace-nowrap border-dotted"
        >{word}</span
      >{/each}
    {#if pin.printed}<span
        class="value flex-none text-aside py-0 px-1 border border-quiet rounded-sm text-ink whitespace-nowrap"
        >{pin.printed}</span
      >{/if}
  </span>
  <span class="number value flex-none w-[1.6em] text-right text-quiet text-aside" aria-hidden="true">{pin.number}</span>
  {#if use}
    <button
      type="button"
      class="pad group/pad inline-flex items-center gap-1.5 flex-none w-22.5 min-h-6 justify-end px-2 text-ink data-chosen:bg-copper-soft hover:bg-copper-soft"
      data-used={wish !== null || undefined}
      data-chosen={pinBoard.shown === pin.terminal.id || undefined}
      data-covered={!use.led || undefined}
      aria-label={pinBoard.carried ? `put the line on ${name}` : name}
      aria-pressed={pinBoard.shown === pin.terminal.id}
      onclick={press}
      onfocus={() => void pinBoard.look(pin.terminal.id)}
      onpointerenter={() => void pinBoard.look(pin.terminal.id)}
    >
      <span class="label value min-w-[3.2em] text-right group-data-covered/pad:text-quiet">{pin.terminal.label}</span
      ><span
        class="dot [forced-color-adjust:none] flex-none w-2.5 h-2.5 rounded-full border-2 border-copper bg-board group-data-used/pad:bg-copper"
        aria-hidden="true"
      ></span>
    </button>
  {:else}
    <span
      class="pad inline-flex items-center gap-1.5 flex-none w-22.5 min-h-6 justify-end px-2 rounded-none bg-transparent text-ink [font:inherit]"
      ><span class="label value min-w-[3.2em] text-right">{pin.terminal.label}</span><span
        class="dot [forced-color-adjust:none] flex-none w-2.5 h-2.5 rounded-full border-2 border-copper bg-board {pin
          .terminal.role}"
        aria-hidden="true"
      ></span></span
    >
  {/if}
</div>

<style>
  .right {
    flex-direction: row-reverse;
  }
  .right .says {
    flex-direction: row-reverse;
  }
  .right .pad {
    flex-direction: row-reverse;
  }
  .right .number {
    text-align: left;
  }
  .right .label {
    text-align: left;
  }
  .dot.ground {
    border-color: var(--ink);
    background: var(--ink);
    border-radius: 0;
  }
  .dot.supply {
    border-color: var(--rail-red);
    border-radius: 0;
  }
  .dot.unused {
    border-color: var(--line);
  }
</style>
