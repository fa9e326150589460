<!-- What is it? A class, from which follows what is asked. -->
<script lang="ts">
  import { CLASS_IDS, classTitle, type ClassId } from '@idle-breadboard/core/workshop';
  import { say } from '@idle-breadboard/core/words';
  import SearchField from '../kit/SearchField.svelte';
  import { CLASS_DRAWINGS } from '../kit/class-drawings';

  let { choose, chosen = null }: { choose: (cls: ClassId) => void; chosen?: ClassId | null } = $props();
  let search = $state('');

  /** "relay: a coil with a contact apart from it" as its name and its line. */
  const classes = CLASS_IDS.map((id) => {
    const [name = '', line = ''] = say(classTitle(id)).split(/:\s*/, 2);
    return { id, name, line, all: `${name} ${line}`.toLowerCase() };
  });
  const words = $derived(search.toLowerCase().split(/\s+/));
  const found = $derived(classes.filter(({ all }) => words.every((word) => all.includes(word))));
</script>

<SearchField
  bind:value={search}
  class="max-w-[28em]"
  label="find a class"
  placeholder="find a class: display, relay, probe …"
  enter={() => {
    const [first] = found;
    if (first && search.trim() !== '') choose(first.id);
  }}
/>
{#if found.length === 0}<p class="unit" role="status">No class is called so.</p>{/if}
<ul class="grid grid-cols-[repeat(auto-fill,minmax(270px,1fr))] border-t" aria-label="classes of parts">
  {#each found as { id, name, line } (id)}
    <li class="border-b border-r -mr-px">
      <button
        class="grid grid-cols-[60px_minmax(0,1fr)] gap-2.5 items-center w-full h-full py-1.5 px-2.5 text-ink text-left hover:bg-copper-soft data-chosen:bg-copper-soft"
        type="button"
        data-class={id}
        data-chosen={id === chosen || undefined}
        onclick={() => choose(id)}
      >
        <svg class="w-15 h-10" viewBox="0 0 48 32" aria-hidden="true"
          ><path
            class="fill-none stroke-copper stroke-[1.4] [stroke-linecap:round] [stroke-linejoin:round]"
            d={CLASS_DRAWINGS[id]}
          /></svg
        >
        <span><strong class="block first-letter:uppercase">{name}</strong><span class="unit block">{line}</span></span>
      </button>
    </li>
  {/each}
</ul>
