<!-- A meter that writes its readings: what it shows now, and what was written down of it. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import { onMount } from 'svelte';
  import Button from '../kit/Button.svelte';
  import Glyph from '../kit/Glyph.svelte';
  import Row from '../kit/Row.svelte';
  import Select from '../kit/Select.svelte';
  import Tick from '../kit/Tick.svelte';
  import { hasSerial, METER_SPEEDS, serialPort } from '../port/line-port';
  import { simulatedMeter } from '../port/simulated-meter';
  import { bringing } from '../state/bringing.svelte';
  import { metering } from '../state/metering.svelte';
  import { setStationKeys } from '../state/station-keys';

  onMount(() => {
    metering.isAtSheet = true;
    const takeAway = setStationKeys({ t: () => metering.press() });
    return () => {
      metering.isAtSheet = false;
      takeAway();
    };
  });

  let speed = $state<number>(METER_SPEEDS[2]);
  let asks = $state(false);
  const inHand = () => (bringing.bench === 'off' ? null : bringing.current);
  const { shown, row } = $derived(metering);
  const unit = $derived(row && typeof row.expected !== 'string' ? row.expected.unit : '');
</script>

<Row>
  {#snippet choose()}
    <div class="w-full pt-1 pb-1.5" role="group" aria-label="meter">
      <p class="eyebrow my-0.5 mx-0">Meter</p>
      <div class="flex flex-wrap gap-x-1.5 gap-y-1 items-center my-1">
        {#if metering.listening}
          <Button onclick={() => metering.stop()}>Stop listening to the meter</Button>
        {:else if bringing.bench !== 'off'}
          <Button
            onclick={() =>
              metering.listen(
                simulatedMeter(inHand, (key) => bringing.worker.read(key)),
                false,
              )}>Listen to the simulated meter</Button
          >
        {:else if hasSerial()}
          <Button onclick={() => metering.listen(serialPort(speed), asks)}>Listen to the meter</Button>
          <Select
            label="speed of the meter’s port"
            value={String(speed)}
            choices={METER_SPEEDS.map((baud) => ({ value: String(baud), label: `${baud} baud` }))}
            change={(to) => (speed = METER_SPEEDS.find((baud) => String(baud) === to) ?? speed)}
          />
          <label class="unit inline-flex items-center gap-1"
            ><Tick checked={asks} change={(on) => (asks = on)} /> it writes only when asked</label
          >
        {:else}<span class="unit">This browser reaches no serial port.</span>{/if}
      </div>
      {#if metering.trouble}<p role="alert" class="text-danger my-0.5">{metering.trouble}</p>{/if}
    </div>
  {/snippet}
  {#snippet prove()}
    <div class="w-full pt-1 pb-1.5">
      <p class="unit my-0.5">
        A meter with a port writes the sheet: hold the probes where the picture shows, and a reading that stands still
        is written down, with a tone. High resistances, open ends and lines near 0 V might be fingers or air: you take
        them with
        <kbd class="value text-copper">t</kbd> or <em>Take it</em>.
      </p>
      {#if !metering.listening}
        <p class="unit my-0.5">No voltage, resistance or current of the sheet has to be typed.</p>
      {:else if !shown}
        <p class="unit my-0.5">Nothing has come from it yet.</p>
      {:else if !shown.reading}
        <p class="my-0.5"><Glyph severity="caution" /> Not a reading: <span class="value">{shown.line}</span></p>
      {:else if shown.reading.unit === null && !metering.fits}
        <p class="my-0.5">
          <Glyph severity="caution" /> <span class="value">{shown.line}</span> says no unit, and nobody knows to what the
          meter is turned: let it be asked.
        </p>
      {:else if !row}
        <p class="unit my-0.5">There is nothing in hand that a meter could tell.</p>
      {:else if !metering.fits}
        <p class="my-0.5">
          <Glyph severity="caution" /> The meter shows <span class="value">{shown.line}</span>; this row wants {unit}.
        </p>
      {/if}
      {#if metering.taken}<p class="my-0.5" data-taken>{metering.taken}</p>{/if}
      {#if metering.listening && row}
        <p class="unit my-0.5">Next: {say(row.title)}</p>
      {/if}
    </div>
  {/snippet}
</Row>
