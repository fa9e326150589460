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

<div class="place {side}" bind:this={element} class:over={pinBoard.over === pin.terminal.id}>
  <span class="says" class:free={!wish}>
    {#if finding}<Glyph severity={finding.severity} label={false} />{/if}
    {#if wish?.locked}<Lock size={11} />{/if}
    <span class="text">{wish ? `${say(wish.label)}${more}` : use ? shortWords(use.pin.functions) : ''}</span>
    {#each duty as word (word)}<span class="duty">{word}</span>{/each}
    {#if pin.printed}<span class="printed value">{pin.printed}</span>{/if}
  </span>
  <span class="number value" aria-hidden="true">{pin.number}</span>
  {#if use}
    <button
      type="button"
      class="pad"
      class:used={wish !== null}
      class:chosen={pinBoard.shown === pin.terminal.id}
      class:covered={!use.led}
      aria-label={pinBoard.carried ? `put the line on ${name}` : name}
      aria-pressed={pinBoard.shown === pin.terminal.id}
      onclick={press}
      onfocus={() => void pinBoard.look(pin.terminal.id)}
      onpointerenter={() => void pinBoard.look(pin.terminal.id)}
    >
      <span class="label value">{pin.terminal.label}</span><span class="dot" aria-hidden="true"></span>
    </button>
  {:else}
    <span class="pad unusable"
      ><span class="label value">{pin.terminal.label}</span><span class="dot {pin.terminal.role}" aria-hidden="true"
      ></span></span
    >
  {/if}
</div>

<style>
  .place {
    display: flex;
    align-items: center;
    justify-content: flex-end;
    min-width: 0;
    min-height: 24px;
    gap: 6px;
  }
  .right {
    flex-direction: row-reverse;
  }
  .over {
    background: var(--copper-soft);
    outline: 1.5px dashed var(--copper);
  }
  .says {
    display: inline-flex;
    align-items: center;
    gap: 5px;
    min-width: 0;
    flex: 1;
    justify-content: flex-end;
    overflow: hidden;
  }
  .right .says {
    flex-direction: row-reverse;
  }
  .text {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .free {
    color: var(--quiet);
    font-size: 0.88rem;
  }
  .duty,
  .printed {
    flex: none;
    font-size: 0.82rem;
    padding: 0 4px;
    border: 1px solid var(--quiet);
    border-radius: 2px;
    color: var(--ink);
    white-space: nowrap;
  }
  .duty {
    border-style: dotted;
  }
  .pad {
    display: inline-flex;
    align-items: center;
    gap: 6px;
    flex: none;
    width: 90px;
    min-height: 24px;
    justify-content: flex-end;
    padding: 0 7px;
    border: 0;
    border-radius: 0;
    background: transparent;
    color: var(--ink);
    font: inherit;
  }
  .right .pad {
    flex-direction: row-reverse;
  }
  button.pad:hover,
  .chosen {
    background: var(--copper-soft);
  }
  .number {
    flex: none;
    width: 1.6em;
    text-align: right;
    color: var(--quiet);
    font-size: 0.85rem;
  }
  .right .number {
    text-align: left;
  }
  .label {
    min-width: 3.2em;
    text-align: right;
  }
  .right .label {
    text-align: left;
  }
  .covered .label {
    color: var(--quiet);
  }
  .dot {
    flex: none;
    width: 11px;
    height: 11px;
    border-radius: 50%;
    border: 2px solid var(--copper);
    background: var(--board);
  }
  .used .dot {
    background: var(--copper);
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
