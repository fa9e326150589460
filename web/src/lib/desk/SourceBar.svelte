<!-- Where the figures that are typed next are from. -->
<script lang="ts">
  import { desk } from '../state/desk.svelte';
  import { SOURCE_KINDS, sourceWords } from './source-words';

  const HOW = {
    datasheet: 'its title',
    seller: 'whose page',
    measured: 'how: ohmmeter, VCC to SDA',
    memory: 'whose',
    'class-typical': '',
  };
  const { source } = $derived(desk);
</script>

<div class="bar">
  <span class="unit">what I type next is from</span>
  <span role="radiogroup" aria-label="source of the next figures">
    {#each SOURCE_KINDS as kind (kind)}
      <button
        type="button"
        class="act bare"
        role="radio"
        aria-checked={source.kind === kind}
        onclick={() => desk.setSource({ kind })}>{sourceWords({ kind, title: '' })}</button
      >
    {/each}
  </span>
  <input
    class="field title"
    aria-label="title of the source"
    placeholder={HOW[source.kind]}
    maxlength="160"
    value={source.title}
    onchange={(event) => desk.setSource({ title: event.currentTarget.value })}
  />
  {#if source.kind === 'datasheet'}
    <label class="unit"
      >page <input
        class="field value page"
        inputmode="numeric"
        pattern="[0-9]*"
        value={source.page ?? ''}
        onchange={(event) => {
          const page = Number(event.currentTarget.value);
          desk.setSource({ page: Number.isInteger(page) && page > 0 ? page : undefined });
        }}
      /></label
    >
  {/if}
</div>

<style>
  .bar {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 8px;
    align-items: center;
    padding: 2px 12px;
    border-bottom: 1px solid var(--line);
  }
  .title {
    min-width: 14em;
  }
  .page {
    width: 3.5em;
  }
</style>
