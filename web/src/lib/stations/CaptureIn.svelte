<!-- A capture of an oscilloscope or logic analyser, read without being kept, and held against the plan. -->
<script lang="ts">
  import ProgressLine from '../kit/ProgressLine.svelte';
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import type { Assignment, CaptureSummary } from '@idle-breadboard/core/bench';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { heldCapture } from '@idle-breadboard/core/deliver';
  import { formatAddress, formatQuantity } from '@idle-breadboard/core/figures';
  import { counted, say } from '@idle-breadboard/core/words';
  import Trace from '../charts/Trace.svelte';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import { bringing } from '../state/bringing.svelte';
  import type { CaptureHead } from '../worker/intake';

  let { circuit }: { circuit: Circuit } = $props();
  let file = $state.raw<File | null>(null);
  let head = $state.raw<CaptureHead | null>(null);
  /** Channel -> net. */
  let nets = $state<Record<string, string>>({});
  let share = $state<number | null>(null);
  let summary = $state.raw<CaptureSummary | null>(null);
  let trouble = $state('');

  const lines = $derived(circuit.nets.filter(({ bus }) => bus !== null));
  const busOf = $derived(circuit.nets.find(({ id }) => Object.values(nets).includes(id))?.bus ?? '');
  /** Rises that the capture is fine enough for, with the lines of the sheet that ask for them. */
  const rises = $derived(
    (summary?.lines ?? []).flatMap(({ name, rises: of }) => {
      const row = bringing.rows.get(`edge:${nets[name]}`);
      return row && of && 2 * of.withinStep <= of.count ? [{ row, value: of.middle }] : [];
    }),
  );
  const held = $derived(summary ? heldCapture(circuit, busOf, summary, nets) : []);

  /** By its name in the file: SDA and SCL go to the first bus that has them. */
  const guess = (channel: string) => {
    const line = /sda|data/i.test(channel) ? 'sda' : /scl|sck|clk|clock/i.test(channel) ? 'scl' : null;
    return lines.find((net) => net.line === line)?.id ?? '';
  };
  async function open(chosen: File | null) {
    [file, head, share, summary, trouble] = [chosen, null, null, null, ''];
    if (!chosen) return;
    try {
      const found = await bringing.intake.newest((calls) => calls.captureHead(chosen));
      if (!found) return;
      nets = Object.fromEntries(found.channels.map((channel) => [channel, guess(channel)]));
      head = found;
    } catch (error) {
      trouble = error instanceof Error ? error.message : String(error);
    }
  }
  async function read() {
    if (!file || !head) return;
    const { kind } = head;
    const assigned = Object.entries(nets).flatMap(([name, id]): Assignment[] => {
      const net = circuit.nets.find((n) => n.id === id);
      if (!net) return [];
      const line = net.line === 'sda' || net.line === 'scl' ? net.line : 'other';
      const volts = net.pullUps[0]?.voltage?.typ ?? net.ends[0]?.power.voltage?.typ ?? 3.3;
      return [{ name, line, supply: kind === 'vcd' ? 1 : volts }];
    });
    const capture = file;
    [share, summary, trouble] = [0, null, ''];
    try {
      const found = await bringing.intake.newest((calls, whileNewest) =>
        calls.capture(
          capture,
          kind,
          assigned,
          whileNewest((now) => (share = now)),
        ),
      );
      // Another file was opened meanwhile.
      if (!found) return;
      summary = found;
    } catch (error) {
      trouble = error instanceof Error ? error.message : String(error);
    }
    share = null;
  }
</script>

<Row>
  {#snippet choose()}
    <div class="w-full pt-1 pb-1.5" role="group" aria-label="a capture">
      <p class="eyebrow my-0.5 mx-0">A capture</p>
      <input
        type="file"
        accept=".csv,.txt,.vcd"
        aria-label="capture as CSV or VCD"
        onchange={(event) => open(event.currentTarget.files?.[0] ?? null)}
      />
      {#if head}
        <div class="flex flex-wrap gap-x-3 gap-y-0.5 my-1">
          {#each head.channels as channel (channel)}
            <label
              ><span class="value">{channel}</span> is
              <Select
                label="what {channel} is"
                value={nets[channel] ?? ''}
                choices={[
                  { value: '', label: 'nothing here' },
                  ...lines.map(({ id, label }) => ({ value: id, label: say(label) })),
                ]}
                change={(to) => (nets[channel] = to)}
              /></label
            >
          {/each}
        </div>
        <Button disabled={share !== null || Object.values(nets).every((n) => n === '')} onclick={read}>Read it</Button>
      {/if}
      {#if share !== null}<ProgressLine label="reading the capture" value={share} class="w-35" />{/if}
      {#if trouble}<p role="alert" class="text-danger my-0.5">{trouble}</p>{/if}
    </div>
  {/snippet}
  {#snippet prove()}
    {#if summary}
      <div class="w-full pt-1 pb-1.5">
        <Trace {summary} />
        {#if rises.length > 0 && bringing.bench === 'off'}<Button onclick={() => bringing.log(rises, 'pasted')}
            >Write {rises.length === 1 ? 'its rise' : 'their rises'} down</Button
          >{/if}
        {#each held as { good, says } (say(says))}<p class="my-0.5">
            <Glyph severity={good === null ? 'note' : good ? null : 'fault'} />
            {say(says)}
          </p>{/each}
        {#if summary.i2c}
          <details>
            <summary
              >{counted(summary.i2c.messages.length, 'message')}{summary.i2c.dropped > 0
                ? `, ${summary.i2c.dropped} more`
                : ''}</summary
            >
            <table>
              <thead
                ><tr
                  ><th class="text-left py-px pr-2.5 font-normal">at</th><th class="text-left py-px pr-2.5 font-normal"
                    >address</th
                  ><th class="text-left py-px pr-2.5 font-normal">bytes</th></tr
                ></thead
              >
              <tbody>
                {#each summary.i2c.messages.slice(0, 60) as m, i (i)}
                  <tr>
                    <td class="value text-left py-px pr-2.5 pl-0 font-normal">{formatQuantity(m.at, 's', 5)}</td>
                    <td class="value text-left py-px pr-2.5 pl-0 font-normal"
                      >{m.address === null ? 'cut off' : formatAddress(m.address)}
                      {m.read ? 'read' : 'write'}
                      {m.acknowledged === false ? 'no answer' : ''}</td
                    >
                    <td class="value text-left py-px pr-2.5 pl-0 font-normal"
                      >{m.bytes.map(({ value }) => value.toString(16).toUpperCase().padStart(2, '0')).join(' ')}</td
                    >
                  </tr>
                {/each}
              </tbody>
            </table>
          </details>
        {/if}
      </div>
    {/if}
  {/snippet}
</Row>
