<!-- Two probes anywhere: what they should show is worked out on the spot. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import { say } from '@idle-breadboard/core/words';
  import { tick } from 'svelte';
  import Row from '../kit/Row.svelte';
  import { bringing } from '../state/bringing.svelte';
  import SheetLine from './SheetLine.svelte';

  let kind = $state<'volts' | 'ohms'>('volts');
  let red = $state('');
  let black = $state<string | null>(null);
  let trouble = $state('');
  /** The black probe stays at ground until it is moved. */
  const at = $derived(black ?? say(bringing.sheet?.zero));

  async function put(event: SubmitEvent) {
    event.preventDefault();
    const found = await bringing.touch(kind, red, at);
    trouble = 'says' in found ? found.says : '';
    if ('says' in found) return;
    await tick();
    const line = document.getElementById(`row-${found.row.key}`);
    line?.closest('details')?.setAttribute('open', '');
    line?.scrollIntoView({ block: 'nearest' });
    if (bringing.bench === 'off') line?.querySelector('input')?.focus();
  }
</script>

<Row head>
  {#snippet choose()}Anywhere else{/snippet}
  {#snippet prove()}<span class="unit">what it should show is worked out on the spot</span>{/snippet}
</Row>
<Row>
  {#snippet choose()}
    <form class="flex flex-wrap gap-x-2 gap-y-1 items-center" aria-label="two probes" onsubmit={put}>
      <Select
        label="what the meter shows"
        value={kind}
        choices={[
          { value: 'volts', label: 'volts, power on' },
          { value: 'ohms', label: 'ohms, power off' },
        ]}
        change={(to) => (kind = to === 'ohms' ? 'ohms' : 'volts')}
      />
      <label
        >red in <input
          class="field value w-[11.5em]"
          aria-label="red probe"
          list="probe-places"
          placeholder="a12, display SDA"
          spellcheck="false"
          autocomplete="off"
          bind:value={red}
        /></label
      >
      <label
        >black in <input
          class="field value w-[11.5em]"
          aria-label="black probe"
          list="probe-places"
          spellcheck="false"
          autocomplete="off"
          value={at}
          onchange={(event) => (black = event.currentTarget.value.trim() || null)}
        /></label
      >
      <Button type="submit" disabled={red.trim() === ''}>{bringing.bench === 'off' ? 'Add a line' : 'Touch'}</Button>
      <datalist id="probe-places">
        {#each bringing.places as name (name)}<option value={name}></option>{/each}
      </datalist>
    </form>
    {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
  {/snippet}
  {#snippet prove()}
    <span class="unit">Any hole (a12, upper + 5, 2:c7) or any pin (display SDA).</span>
  {/snippet}
</Row>
{#each bringing.touched as row (row.key)}
  <div id="row-{row.key}"><SheetLine {row} next={false} /></div>
{/each}
