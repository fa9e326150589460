<!-- What programs print, taken in: scans, one-wire lists, readings; pasted or listened to. Beside it, held against the plan. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import { readOneWireList, readReadingsLog, readScanLog } from '@idle-breadboard/core/bench';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { heldScan, printedRows, unplugged, type Held, type SheetRow } from '@idle-breadboard/core/deliver';
  import { formatAddress } from '@idle-breadboard/core/figures';
  import { say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import { hasSerial, serialPort, simulatedPort, SPEEDS, type LinePort } from '../port/line-port';
  import { bringing } from '../state/bringing.svelte';
  import { telling } from '../state/telling.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const buses = $derived(circuit.buses.filter(({ protocol, members }) => protocol === 'i2c' && members.length > 0));
  let bus = $state('');
  const chosen = $derived(buses.find(({ id }) => id === bus)?.id ?? buses[0]?.id ?? '');
  let text = $state('');
  let speed = $state<number>(SPEEDS[2]);
  let stop = $state.raw<(() => Promise<void>) | null>(null);
  /** Where the text comes from: what the simulated bench prints is no evidence. */
  let from = $state<'pasted' | 'port' | 'bench'>('pasted');
  let before = $state.raw<readonly number[] | null>(null);

  const wires = $derived(readOneWireList(text));
  /** The bytes of a one-wire number are no addresses. */
  const others = $derived(
    text
      .split('\n')
      .map((row, i) => (wires.some(({ line }) => line === i + 1) ? '' : row))
      .join('\n'),
  );
  const scan = $derived(readScanLog(others));
  const readings = $derived(readReadingsLog(others).filter(({ name }) => !/address|device|rom/i.test(name)));
  const named = $derived(
    printedRows(bringing.standard, readings, (part) => say(circuit.parts.get(part)?.label ?? part)),
  );
  const addresses = $derived(scan.addresses.map(({ value }) => value));
  const held = $derived.by((): readonly Held[] => {
    if (addresses.length === 0 && !scan.empty) return [];
    return [...(before ? unplugged(circuit, chosen, before, addresses) : []), ...heldScan(circuit, chosen, addresses)];
  });

  async function take() {
    const values: { row: SheetRow; value: string | number }[] = [];
    const scanned = bringing.rows.get(`scan:${chosen}`);
    if (scanned && (addresses.length > 0 || scan.empty))
      values.push({ row: scanned, value: addresses.map(formatAddress).join(' ') || 'none' });
    const counted = bringing.standard.find(({ kind }) => kind === 'count');
    if (counted && wires.length > 0)
      values.push({ row: counted, value: String(new Set(wires.map(({ serial }) => serial)).size) });
    values.push(...named);
    await bringing.log(values, from);
    telling.say(values.map(({ row, value }) => `${say(row.title)}: ${value}`).join('; '));
  }
  async function listen(port: LinePort) {
    text = '';
    from = port.name === 'serial port' ? 'port' : 'bench';
    try {
      stop = await port.listen((line) => (text += `${line}\n`));
    } catch (error) {
      telling.say(`The port did not open: ${error instanceof Error ? error.message : String(error)}`);
    }
  }
  async function end() {
    await stop?.();
    stop = null;
  }
</script>

<Row>
  {#snippet choose()}
    <div class="w-full pt-1 pb-1.5" role="group" aria-label="what a program prints">
      <p class="eyebrow my-0.5 mx-0">What a program prints</p>
      <textarea
        class="field value w-full resize-y"
        rows="4"
        aria-label="scan, one-wire numbers or readings, pasted"
        placeholder="Paste a scan, a list of one-wire numbers, or readings."
        spellcheck="false"
        bind:value={text}
        oninput={() => (from = 'pasted')}></textarea>
      <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center mt-1">
        {#if buses.length > 1}
          <Select
            label="bus that was scanned"
            bind:value={bus}
            choices={buses.map(({ id, name }) => ({ value: id, label: name }))}
          />
        {/if}
        <Button
          disabled={wires.length === 0 && addresses.length === 0 && !scan.empty && named.length === 0}
          onclick={take}>Write it down</Button
        >
        {#if addresses.length > 0}<Button onclick={() => ((before = addresses), (text = ''))}
            >Unplug one, scan again</Button
          >{/if}
        {#if stop}<Button onclick={end}>Stop listening</Button>
        {:else}
          {#if hasSerial()}
            <Button onclick={() => listen(serialPort(speed))}>Listen to a serial port</Button>
            <Select
              label="speed of the port"
              value={String(speed)}
              choices={SPEEDS.map((baud) => ({ value: String(baud), label: `${baud} baud` }))}
              change={(to) => (speed = SPEEDS.find((baud) => String(baud) === to) ?? speed)}
            />
          {/if}
          {#if bringing.bench !== 'off'}<Button
              onclick={() => listen(simulatedPort(async () => bringing.worker.programText()))}
              >Listen to the simulated port</Button
            >{/if}
        {/if}
      </div>
    </div>
  {/snippet}
  {#snippet prove()}
    <div class="w-full pt-1 pb-1.5">
      {#if before}<p class="unit my-0.5">Before: {before.map(formatAddress).join(' ')}</p>{/if}
      {#each held as { good, says } (say(says))}
        <p class="my-0.5"><Glyph severity={good === null ? 'note' : good ? null : 'fault'} /> {say(says)}</p>
      {/each}
      {#each scan.addresses.filter(({ halved }) => halved) as { text: was, value } (was)}
        <p class="my-0.5">
          <Glyph severity="caution" />
          {was} is above 0x7F: taken for the form that holds the read/write bit, it is {formatAddress(value)}. Is that
          meant?
        </p>
      {/each}
      {#each wires as { line, serial, family, checked } (`${line} ${serial}`)}
        <p class="my-0.5">
          <Glyph severity={checked === false ? 'fault' : null} />
          <span class="value">{serial}</span>, family {formatAddress(family)},
          {checked === null
            ? 'comes without its check'
            : checked
              ? 'its check is right'
              : 'its check is wrong: a lead too long, or a digit misread'}
        </p>
      {/each}
      {#each readings as { line, name, value, unit } (line + name)}
        <p class="my-0.5">
          <Glyph severity={value === null ? 'fault' : null} />
          {name || `line ${line}`}: {value === null
            ? 'no number. The part did not answer, or its lead is loose.'
            : `${value} ${unit}`}
        </p>
      {/each}
      {#each scan.problems as { line, says } (line)}<p class="my-0.5" role="alert">
          <Glyph severity="fault" /> Line {line}: {say(says)}.
        </p>{/each}
      {#if text.trim() !== '' && held.length + wires.length + readings.length + scan.problems.length === 0}
        <p class="unit my-0.5">Nothing of it is a scan, a one-wire number or a reading.</p>
      {/if}
    </div>
  {/snippet}
</Row>
