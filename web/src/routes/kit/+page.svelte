<!-- Every component of the kit in every state, by day and by night. Not in any menu: for those who work on the interface. -->
<script lang="ts">
  import Search from '@lucide/svelte/icons/search';
  import X from '@lucide/svelte/icons/x';
  import type { Snippet } from 'svelte';
  import Button from '$lib/kit/Button.svelte';
  import SearchField from '$lib/kit/SearchField.svelte';
  import Tick from '$lib/kit/Tick.svelte';
  import { CLASS_DRAWINGS } from '$lib/kit/class-drawings';
  import Combobox from '$lib/kit/Combobox.svelte';
  import Glyph from '$lib/kit/Glyph.svelte';
  import Quantity from '$lib/kit/Quantity.svelte';
  import AddressField from '$lib/kit/AddressField.svelte';
  import TrySlider from '$lib/kit/TrySlider.svelte';
  import Views from '$lib/kit/Views.svelte';
  import ProgressLine from '$lib/kit/ProgressLine.svelte';
  import QuantityField from '$lib/kit/QuantityField.svelte';
  import Sheet from '$lib/kit/Sheet.svelte';
  import TextField from '$lib/kit/TextField.svelte';

  let dark = $state(false);
  let on = $state(true);
  let chosen = $state('relay');
  let place = $state('bed');
  let swept = $state(1.2);
  let tab = $state<'one' | 'other'>('one');
  let ohms = $state(4700);
  let open = $state(false);
  const choices = (['relay', 'display', 'cells', 'radio'] as const).map((id) => ({
    value: id,
    label: id,
    hint: '4.5 to 5.5 V',
    drawing: CLASS_DRAWINGS[id],
  }));
  const SIZES = [
    ['text-title font-semibold', 'title, 20 px'],
    ['text-group font-semibold', 'group, 16 px'],
    ['text-row', 'row, 14 px'],
    ['text-aside text-quiet', 'aside, 12 px'],
    ['text-mark font-mono', 'mark in a drawing, 11 px'],
  ] as const;
  const COLOURS = [
    ['bg-bench', 'bench'],
    ['bg-board', 'board'],
    ['bg-raised', 'raised'],
    ['bg-copper', 'copper'],
    ['bg-copper-soft', 'copper-soft'],
    ['bg-danger', 'danger'],
    ['bg-fault', 'fault'],
    ['bg-caution', 'caution'],
    ['bg-note', 'note'],
    ['bg-pass', 'pass'],
  ] as const;

  $effect(() => {
    document.documentElement.dataset.theme = dark ? 'dark' : 'light';
  });
</script>

<svelte:head><title>The kit · Idle Breadboard</title></svelte:head>

{#snippet part(name: string, body: Snippet)}
  <section class="border-t py-3 grid grid-cols-[10em_minmax(0,1fr)] gap-4 max-desk:grid-cols-1" aria-label={name}>
    <h2 class="text-group font-semibold">{name}</h2>
    <div class="flex flex-wrap items-center gap-3">{@render body()}</div>
  </section>
{/snippet}

<main class="mx-auto max-w-[1100px] px-6 py-5 bg-board min-h-dvh">
  <header class="flex items-center gap-3 mb-3">
    <h1 class="text-title font-semibold">The kit</h1>
    <label class="inline-flex items-center"><Tick bind:checked={dark} />by night</label>
  </header>
  {#snippet sizes()}{#each SIZES as [look, name] (name)}<span class={look}>{name}</span>{/each}{/snippet}
  {@render part('Text', sizes)}
  {#snippet colours()}{#each COLOURS as [look, name] (name)}<span class="inline-flex items-center gap-1"
        ><span class="size-5 border {look}"></span>{name}</span
      >{/each}{/snippet}
  {@render part('Colours', colours)}
  {#snippet marks()}{#each ['danger', 'fault', 'caution', 'note', null] as const as severity (severity)}<span
        ><Glyph {severity} label={false} /> {severity ?? 'pass'}</span
      >{/each}{/snippet}
  {@render part('Marks', marks)}
  {#snippet buttons()}
    <Button>plain</Button><Button disabled>plain, not now</Button><Button kind="first">first</Button><Button
      kind="first"
      disabled>first, not now</Button
    >
    <Button kind="bare" aria-label="close"><X size={15} /></Button><Button
      kind="bare"
      pressed="underlined"
      aria-pressed={on}
      onclick={() => (on = !on)}>pressed or not</Button
    ><Button><Search size={14} />with a sign</Button>
    <Button kind="sentence" class="max-w-[22em]"
      >A whole sentence that says what it does, which wraps where there is no room for it in one line</Button
    >
  {/snippet}
  {@render part('Buttons', buttons)}
  {#snippet checks()}
    <label class="inline-flex items-center"><Tick bind:checked={on} />with words</label>
    <Tick checked={false} label="without words" />
    <label class="inline-flex items-center"><Tick checked={true} disabled />filled, not now</label>
    <label class="inline-flex items-center"><Tick checked={false} disabled />empty, not now</label>
  {/snippet}
  {@render part('Ticks', checks)}
  {#snippet far()}
    {#each [0, 0.4, 1] as share (share)}<ProgressLine label="so far" value={share} class="w-40" />{/each}
  {/snippet}
  {@render part('How far', far)}
  {#snippet sliders()}
    <TrySlider label="a lead" value={swept} unit="m" min={0} max={5} step={0.1} onTry={(to) => (swept = to)} />
    <TrySlider label="a lead that is longer" value={8} unit="m" min={0} max={5} step={0.1} onTry={() => undefined} />
  {/snippet}
  {@render part('Sliders', sliders)}
  {#snippet tabs()}
    <div class="w-full">
      <Views
        label="views"
        views={[
          ['one', 'one view'],
          ['other', 'another'],
        ]}
        bind:value={tab}>{#snippet children(now)}<p class="p-2">This is {now}.</p>{/snippet}</Views
      >
    </div>
  {/snippet}
  {@render part('Views', tabs)}
  {#snippet fields()}
    <TextField label="a name" value="top shelf" change={() => undefined} />
    <QuantityField label="a resistance" value={ohms} unit="Ω" change={(next) => (ohms = next)} />
    <QuantityField label="more than nothing" value={null} unit="V" check={() => 'too much'} change={() => undefined} />
    <AddressField label="an address" value={0x48} change={() => undefined} />
    <SearchField value="" label="a search" placeholder="find …" class="max-w-[12em]" enter={() => undefined} />
    <Combobox label="a class" {choices} value={chosen} change={(next) => (chosen = next)} />
    <Combobox
      label="a place"
      free
      choices={[{ value: 'bed', label: 'bed' }]}
      value={place}
      change={(next) => (place = next)}
    />
    <Combobox label="a class, not now" {choices} value="relay" disabled change={() => undefined} />
  {/snippet}
  {@render part('Fields', fields)}
  {#snippet figures()}
    <Quantity value={0.00123} unit="A" /><Quantity value={4700} unit="Ω" /><Quantity value={-0.692} unit="V" signed />
  {/snippet}
  {@render part('Figures', figures)}
  {#snippet sheets()}
    <Button onclick={() => (open = true)}>open a sheet</Button>
    <Sheet {open} title="A sheet" close={() => (open = false)}
      ><p class="p-3">Between the two supply lines of a board.</p></Sheet
    >
  {/snippet}
  {@render part('Sheets', sheets)}
</main>
