<!-- What is it? A class, from which follows what is asked. -->
<script lang="ts">
  import { CLASS_IDS, classTitle, type ClassId } from '@idle-breadboard/core/workshop';
  import { say } from '@idle-breadboard/core/words';
  import { CLASS_DRAWINGS } from './class-drawings';

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

<input
  type="search"
  class="field find"
  aria-label="find a class"
  placeholder="find a class: display, relay, probe …"
  autocomplete="off"
  bind:value={search}
  onkeydown={(event) => {
    const [first] = found;
    if (event.key === 'Enter' && first && search.trim() !== '') choose(first.id);
  }}
/>
{#if found.length === 0}<p class="unit none" role="status">No class is called so.</p>{/if}
<ul class="classes" aria-label="classes of parts">
  {#each found as { id, name, line } (id)}
    <li>
      <button type="button" data-class={id} class:chosen={id === chosen} onclick={() => choose(id)}>
        <svg viewBox="0 0 48 32" aria-hidden="true"><path d={CLASS_DRAWINGS[id]} /></svg>
        <span><strong>{name}</strong><span class="unit">{line}</span></span>
      </button>
    </li>
  {/each}
</ul>

<style>
  .find {
    width: 100%;
    max-width: 28em;
  }
  .none {
    margin: 0;
  }
  .classes {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(270px, 1fr));
    margin: 0;
    padding: 0;
    list-style: none;
    border-top: 1px solid var(--line);
  }
  li {
    border-bottom: 1px solid var(--line);
    border-right: 1px solid var(--line);
    margin-right: -1px;
  }
  button {
    display: grid;
    grid-template-columns: 60px minmax(0, 1fr);
    gap: 10px;
    align-items: center;
    width: 100%;
    height: 100%;
    padding: 6px 10px;
    border: 0;
    background: transparent;
    color: var(--ink);
    font: inherit;
    text-align: left;
  }
  button:hover,
  button.chosen {
    background: var(--copper-soft);
  }
  strong,
  span.unit {
    display: block;
  }
  strong::first-letter {
    text-transform: uppercase;
  }
  svg {
    width: 60px;
    height: 40px;
  }
  path {
    fill: none;
    stroke: var(--copper);
    stroke-width: 1.4;
    stroke-linecap: round;
    stroke-linejoin: round;
  }
</style>
