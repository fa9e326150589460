<!-- Numbers found on one-wire lines, and which part each of them is: by the hand that warms one, by plugging in, by a label. -->
<script lang="ts">
  import { leftOver, numberedParts, readWireNumber } from '@idle-breadboard/core/bench';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { spaced } from '@idle-breadboard/core/figures';
  import { keyOf, withNumber } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import Button from '../kit/Button.svelte';
  import Select from '../kit/Select.svelte';
  import { bringing } from '../state/bringing.svelte';
  import { selfTesting } from '../state/self-testing.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  let typed = $state('');
  let trouble = $state('');
  const parts = $derived(
    numberedParts(circuit).map((at) => ({ ...at, label: say(circuit.parts.get(at.part)?.label) })),
  );
  const found = $derived(selfTesting.evidence?.found ?? []);
  const which = $derived(selfTesting.which);
  const left = $derived(leftOver(circuit, found));
  const lost = $derived(
    found.length > 0 ? parts.filter(({ number }) => number !== null && !found.some(({ rom }) => rom === number)) : [],
  );
  const open = $derived(parts.some(({ number }) => number === null));
  const degrees = (kelvin: number) => `${kelvin.toFixed(1)} °C`;
  const ofRom = (rom: string) => parts.find(({ number }) => number === rom);

  function give(rom: string, to: string) {
    const { plan } = workbench;
    const at = parts.find((part) => keyOf(part.part, part.port) === to);
    if (!plan) return;
    const had = ofRom(rom);
    if (at) workbench.edit(withNumber(plan, at.part, at.port, rom), `number of ${at.label}`);
    else if (had) workbench.edit(withNumber(plan, had.part, had.port, null), `number of ${had.label}`);
    selfTesting.compareFromNow();
  }
  function label(to: string) {
    const number = readWireNumber(typed);
    trouble = number === null ? 'Expected eight bytes whose last one checks the others, found something else.' : '';
    if (number === null || to === '') return;
    give(number, to);
    typed = '';
  }
</script>

<div class="mt-1" role="group" aria-label="which number is which part">
  {#if found.length > 0}
    <table>
      <caption class="sr-only">parts found on one-wire lines</caption>
      <tbody>
        {#each found as { rom, celsius, atStart, bus } (rom)}
          {@const meant = 'rom' in which && which.rom === rom}
          <tr data-meant={meant || undefined} class="data-meant:bg-copper-soft">
            <td class="value pr-3">{spaced(rom)}</td>
            <td class="value pr-3 text-right"
              >{atStart ? 'not converted yet' : celsius === null ? 'no temperature' : degrees(celsius)}</td
            >
            <td
              ><Select
                label="part with the number {spaced(rom)}"
                value={ofRom(rom) ? keyOf(ofRom(rom)?.part, ofRom(rom)?.port) : ''}
                choices={[
                  { value: '', label: 'which part?' },
                  ...parts
                    .filter((part) => part.bus === bus)
                    .map((part) => ({ value: keyOf(part.part, part.port), label: part.label })),
                ]}
                change={(to) => give(rom, to)}
              /></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  {#each lost as { part, label: name, number } (part)}<p class="my-0.5">
      {name}, {spaced(number ?? '')}, is not on the line.
    </p>{/each}
  <p class="my-0.5" role="status">
    {#if which.is === 'joined'}{spaced(which.rom)} came: it is the one that was plugged in.
    {:else if which.is === 'warmed'}{spaced(which.rom)} rose by {degrees(which.rose)}{which.next === null
        ? ''
        : `, the others by ${degrees(Math.max(0, which.next))} at most`}: it is the one in the hand.
    {:else if which.is === 'several'}Several changed together, so that none can be told from the others. Let them come
      to rest, and begin again.
    {:else if open && found.length > 1}Which is which? Warm one in the hand for half a minute, or plug another in, and
      run it again.{/if}
  </p>
  <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center">
    {#each left as { at, rom } (rom)}
      <Button onclick={() => give(rom, keyOf(at.part, at.port))}
        >{spaced(rom)} is left: it is {say(circuit.parts.get(at.part)?.label)}</Button
      >
    {/each}
    {#if which.is === 'several'}<Button onclick={() => selfTesting.compareFromNow()}>Compare from now on</Button>{/if}
    {#if bringing.bench !== 'off' && found.length > 1}
      {#each parts as part (keyOf(part.part, part.port))}<Button onclick={() => selfTesting.simulate(part.part)}
          >Hold {part.label} in the hand</Button
        >{/each}
    {/if}
  </div>
  <details>
    <summary class="min-h-row py-1 cursor-pointer">A number from a label</summary>
    <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center">
      <input
        class="field value w-[15em]"
        aria-label="number from a label"
        placeholder="28 FF 64 1E 0C 33 05 5A"
        spellcheck="false"
        autocomplete="off"
        bind:value={typed}
      />
      <Select
        label="part with that label"
        value=""
        placeholder="is on …"
        choices={parts.map((part) => ({ value: keyOf(part.part, part.port), label: part.label }))}
        change={label}
      />
    </div>
    {#if trouble}<p role="alert" class="text-danger my-0.5">{trouble}</p>{/if}
  </details>
</div>
