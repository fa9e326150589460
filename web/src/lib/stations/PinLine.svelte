<!-- A line that wants a pin: carried to one by hand, or given one from the list; locked where it is soldered. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { draggable } from '@atlaskit/pragmatic-drag-and-drop/element/adapter';
  import {
    converterInputs,
    instancesFor,
    type Circuit,
    type PinUse,
    type PinWish,
  } from '@idle-breadboard/core/circuit';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { FEED_LINE, GROUND_LINE, ownerOf, setPin } from '@idle-breadboard/core/plan';
  import type { Result } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import Grip from '@lucide/svelte/icons/grip-vertical';
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import OpenFinding from '../kit/OpenFinding.svelte';
  import Proof from '../kit/Proof.svelte';
  import { pinBoard } from '../state/pin-board.svelte';
  import { opening } from '../state/opening.svelte';
  import { view } from '../state/view.svelte';
  import { circuitNow } from '../state/circuit-now';
  import { workbench } from '../state/workbench.svelte';

  interface Props {
    wish: PinWish;
    uses: readonly PinUse[];
    findings: readonly Result[];
    circuit: Circuit;
  }
  let { wish, uses, findings, circuit }: Props = $props();
  let element = $state<HTMLElement>();
  let handle = $state<HTMLElement | null>(null);
  const id = $props.id();
  const open = $derived(opening.row === id ? view.opened : null);
  const current = $derived(open !== null || view.subject === wish.id);
  const carried = $derived(pinBoard.carried === wish.id);
  /** Where the line is on its pin by something else: a carrier, or the feed that was chosen. */
  const fitted = $derived(
    wish.line === FEED_LINE ||
      wish.line === GROUND_LINE ||
      circuit.parts.get(ownerOf(wish.of))?.choice?.fittedOn !== undefined,
  );

  /** An enable that nobody switches is tied to a rail, or to ground. */
  const TIE = 'tie ';
  const ties = $derived(
    wish.ask === 'out' && !fitted && wish.of.includes('.')
      ? [
          ...[...circuit.rails.values()]
            .filter(({ pin, voltage }) => !pin && voltage !== null)
            .map(({ ref, label }) => ({ to: ref, label })),
          { to: 'ground', label: 'ground' },
        ]
      : [],
  );
  /** An analog line can be read by a converter in place of a pin. */
  const READ = 'read ';
  const reads = $derived(wish.ask === 'adc' ? converterInputs(circuit) : []);
  function choose(value: string) {
    if (value.startsWith(READ)) {
      const [on = '', pin = ''] = value.slice(READ.length).split(' ');
      const to = { pin, locked: false, on };
      if (workbench.plan)
        workbench.edit(setPin(workbench.plan, wish.of, wish.line, to), `what reads ${say(wish.label)}`);
      return;
    }
    if (!value.startsWith(TIE)) return set(() => ({ pin: value || null }));
    const to = { pin: null, locked: false, tied: value.slice(TIE.length) };
    if (workbench.plan) workbench.edit(setPin(workbench.plan, wish.of, wish.line, to), `tie ${say(wish.label)}`);
  }

  /** What holding it at the start does, where a person can: a button or switch on a pin that asks for a level. */
  const meaning = $derived(
    circuit.nets.find(({ id }) => id === wish.net)?.ends.some(({ kind }) => kind === 'switch')
      ? uses.find(({ pin }) => pin.terminal === wish.pin)?.pin.strap?.meaning
      : undefined,
  );

  $effect(() => {
    if (element) return opening.claim(id, { subjects: [wish.id], element });
  });
  $effect(() => {
    if (current && !open) element?.scrollIntoView({ block: 'nearest' });
  });
  $effect(() => {
    if (!element || !handle || wish.locked) return;
    return draggable({
      element,
      dragHandle: handle,
      onDragStart: () => pinBoard.carry(wish.id),
      // On a pin the pin takes it; anywhere else it is let go.
      onDrop: ({ location }) => {
        if (location.current.dropTargets.length === 0) pinBoard.carry(null);
      },
    });
  });

  function set(change: (now: PinWish) => Partial<Pick<PinWish, 'pin' | 'locked' | 'weakPull' | 'meant'>>) {
    const { plan } = workbench;
    // What is shown may be a verdict behind what was chosen.
    const now = circuitNow()?.wishes.find(({ id }) => id === wish.id);
    if (!plan || !now) return;
    const { pin, locked, weakPull, meant } = { ...now, ...change(now) };
    const kept = { ...(weakPull ? { weakPull } : {}), ...(meant && pin === now.pin ? { meant } : {}) };
    const choice = { pin, locked: pin !== null && locked, ...kept };
    workbench.edit(setPin(plan, wish.of, wish.line, choice), `pin of ${say(wish.label)}`);
  }

  /** Pins for the line: able and free first, then able and taken, then the rest; burdens are said. */
  const offered = $derived(
    uses
      .map((use) => {
        const able = instancesFor(use.functions, wish.ask).length > 0;
        const others = use.wishes.filter(({ id }) => id !== wish.id);
        const notes = [
          able ? '' : 'cannot',
          others.length > 0 ? `has ${say(others.map(({ label }) => label))}` : '',
          use.pin.strap ? `${use.pin.strap.level} at boot` : '',
          use.pin.reserved?.by ?? '',
        ].filter(Boolean);
        return {
          id: use.pin.terminal,
          label: use.label,
          notes: notes.join('; '),
          rank: (able ? 0 : 4) + (others.length > 0 ? 2 : 0) + (use.pin.strap || use.pin.reserved ? 1 : 0),
        };
      })
      .sort((a, b) => a.rank - b.rank),
  );
  const choices = $derived([
    { value: '', label: 'none' },
    ...offered.map(({ id, label, notes }) => ({ value: id, label, hint: notes || undefined })),
    ...reads.map(({ on, input, label, converter }) => ({
      value: `${READ}${on} ${input}`,
      label: `${say(label)} of ${say(converter)}`,
    })),
    ...ties.map(({ to, label }) => ({ value: `${TIE}${to}`, label: `tied to ${say(label)}` })),
  ]);
</script>

<div
  class="line flex flex-wrap items-center gap-x-1.5 min-h-row py-px pr-3 pl-0.5 border-b data-current:bg-copper-soft data-current:shadow-mark data-carried:outline-1 data-carried:outline-copper data-carried:-outline-offset-2"
  data-current={current || undefined}
  data-carried={carried || undefined}
  role="group"
  aria-label={say(wish.label)}
  bind:this={element}
>
  <Button
    kind="bare"
    tone="hold"
    class="cursor-grab disabled:cursor-default"
    bind:ref={handle}
    aria-pressed={carried}
    aria-label="carry {say(wish.label)} to another pin"
    title={wish.locked ? 'locked to its pin' : 'drag to a pin; or press, then choose a pin on the board'}
    disabled={wish.locked}
    onclick={() => pinBoard.carry(carried ? null : wish.id)}><Grip size={14} /></Button
  >
  <span class="flex-1 min-w-[9em] max-desk:basis-[calc(100%_-_160px)]"
    >{say(wish.label)} <span class="unit">wants {say(wordOf('ask', wish.ask))}</span></span
  >
  {#if wish.ask === 'in' || wish.ask === 'irq'}
    <label class="unit inline-flex items-center gap-0.5 max-desk:order-1 max-desk:pl-6"
      ><Tick
        checked={wish.weakPull}
        label="own pull of {say(wish.label)}"
        ahead
        change={(on) => set(() => ({ weakPull: on }))}
      />own pull</label
    >
  {/if}
  {#if meaning}
    <label class="order-1 unit inline-flex items-center gap-0.5 basis-full pl-6" title={meaning}
      ><Tick
        checked={wish.meant}
        label="{say(wish.label)} is meant to be held at the start"
        ahead
        change={(on) => set(() => ({ meant: on }))}
      />meant at the start</label
    >
  {/if}
  <Select
    label="pin of {say(wish.label)}"
    class="value w-[6.2em] max-desk:ml-auto"
    value={wish.pin ?? ''}
    {choices}
    ahead
    change={choose}
    disabled={fitted}
  />
  <Button
    kind="bare"
    aria-pressed={wish.locked}
    aria-label="lock {say(wish.label)} to its pin"
    title={wish.locked ? 'locked: stays when the rest is assigned' : 'free to move'}
    disabled={wish.pin === null || fitted}
    onclick={() => set((now) => ({ locked: !now.locked }))}
  >
    {#if wish.locked}<Lock size={14} />{:else}<LockOpen size={14} />{/if}
  </Button>
  {#each findings as result (result.key)}<div class="order-2 flex items-center basis-full pl-6.5 min-w-0">
      <Proof {result} compact /><span class="says truncate text-quiet">{say(result.message)}</span>
    </div>{/each}
  {#if open}<div class="order-2 basis-full pl-6.5 min-w-0"><OpenFinding result={open} /></div>{/if}
</div>
