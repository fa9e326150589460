<!-- Lines and their pins. The proof is the controller itself, as it lies on the table. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { featuresOf, pinUses, type Circuit, type Net, type PinWish } from '@idle-breadboard/core/circuit';
  import { type Plan, ownerOf, parseRef, setPin, setUsed } from '@idle-breadboard/core/plan';
  import type { Result } from '@idle-breadboard/core/verify';
  import { counted, say } from '@idle-breadboard/core/words';
  import { assignRest } from '../kit/plan-actions';
  import Station from '../kit/Station.svelte';
  import Views from '../kit/Views.svelte';
  import { pinBoard } from '../state/pin-board.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { view as looking } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import BoardFace from './BoardFace.svelte';
  import ConverterLine from './ConverterLine.svelte';
  import PinCompare from './PinCompare.svelte';
  import PinLine from './PinLine.svelte';
  import PinLoads from './PinLoads.svelte';
  import Settings from './Settings.svelte';
  import TiedLine from './TiedLine.svelte';
  import TieLine from './TieLine.svelte';

  let { circuit, proofs }: { circuit: Circuit; proofs: Proofs } = $props();
  const VIEWS = [
    ['pins', 'pins'],
    ['settings', 'settings for the program'],
  ] as const;
  let view = $state<(typeof VIEWS)[number][0]>('pins');
  // A finding is about a line or a load: it opens at its row.
  $effect(() => {
    if (looking.opened || looking.subject !== null) view = 'pins';
  });
  /** Terminals that rest nowhere by themselves. */
  const floating = $derived(
    [...circuit.parts.values()].flatMap((part) =>
      part.choice && !part.helper
        ? part.card.terminals.filter(({ open }) => open?.rests === 'nowhere').map((terminal) => ({ part, terminal }))
        : [],
    ),
  );
  const uses = $derived(pinUses(circuit));
  const features = $derived(featuresOf(circuit));
  const free = $derived(circuit.wishes.filter(({ pin, locked }) => pin !== null && !locked));
  const edit = (change: (plan: Plan) => Plan, why: string) =>
    workbench.plan && workbench.edit(change(workbench.plan), why);

  /** Lines that a converter reads: they want no pin. */
  const isConverted = ({ of, line, beyond }: Net): boolean => {
    const { part, own: port = '' } = parseRef(of);
    return beyond === null && circuit.parts.get(part)?.choice?.ports[port]?.lines?.[line]?.on !== undefined;
  };

  const findingsOf = (wish: PinWish): readonly Result[] =>
    (proofs.get(wish.id) ?? []).filter(({ severity, station }) => severity !== null && station === 'pins');

  const lockAll = (locked: boolean) =>
    edit(
      (plan) =>
        circuit.wishes.reduce(
          (p, { of, line, pin, weakPull, meant }) =>
            pin === null || (circuit.parts.get(ownerOf(of))?.choice?.fittedOn ?? null) !== null
              ? p
              : setPin(p, of, line, { pin, locked, ...(weakPull ? { weakPull } : {}), ...(meant ? { meant } : {}) }),
          plan,
        ),
      locked ? 'lock all pins' : 'open all locks',
    );
</script>

<svelte:window onkeydown={(event) => event.key === 'Escape' && pinBoard.carry(null)} />

<Station
  title="Pins"
  says={circuit.controller
    ? `${counted(circuit.wishes.length, 'line')} on ${counted(uses.length, 'pin')} of ${say(circuit.controller.label)}`
    : 'no controller yet'}
>
  {#snippet tools()}
    <Button disabled={!circuit.controller} onclick={assignRest}>Assign the rest</Button>
    <Button disabled={circuit.wishes.length === 0} onclick={() => lockAll(free.length > 0)}
      >{free.length > 0 || circuit.wishes.length === 0 ? 'Lock all' : 'Open all locks'}</Button
    >
    <Button disabled={!circuit.controller || pinBoard.kept !== null} onclick={() => pinBoard.keep(circuit)}
      >Keep to compare</Button
    >
  {/snippet}
  <Views label="pins, or what the program is told" views={VIEWS} bind:value={view}>
    {#snippet children(shown)}
      {#if shown === 'settings'}<Settings {circuit} />{:else}{@render pins()}{/if}
    {/snippet}
  </Views>
</Station>

{#snippet pins()}
  {#if pinBoard.kept}<PinCompare {circuit} />{/if}
  <div class="grid grid-cols-[calc(var(--split)_*_100%)_minmax(0,1fr)] items-start border-b max-desk:grid-cols-1">
    <div class="min-w-0">
      {#each circuit.wishes as wish (wish.id)}
        <PinLine {wish} {uses} {circuit} findings={findingsOf(wish)} />
      {:else}
        <p class="p-4 unit">No line wants a pin yet.</p>
      {/each}
      {#each circuit.nets.filter(({ tied }) => tied !== null) as net (net.id)}<TiedLine {circuit} {net} />{/each}
      {#each circuit.nets.filter(isConverted) as net (net.id)}<ConverterLine {circuit} {net} />{/each}
      {#each features as feature (feature.id)}
        <label class="flex items-center gap-1 min-h-row pr-3 pl-1 border-b">
          <Tick
            checked={!circuit.plan.unused?.includes(feature.id)}
            ahead
            change={(used) => {
              edit((p) => setUsed(p, feature.id, used), `${feature.name} ${used ? 'in use' : 'off'}`);
            }}
          />
          the {feature.name} is in use <span class="unit">and takes {feature.takes.join(', ')}</span>
        </label>
      {/each}
    </div>
    <div class="min-w-0 sticky top-10 max-desk:static">
      {#if circuit.controller}<BoardFace {circuit} {proofs} />{/if}
    </div>
  </div>
  {#each floating as { part, terminal } (part.id + terminal.id)}<TieLine
      {part}
      {terminal}
      results={of(proofs, part.id, 'pin/floating').filter(({ subjects }) => subjects[1] === terminal.id)}
    />{/each}
  <PinLoads {circuit} {proofs} />
{/snippet}
