<!-- Where the figures that are typed next are from. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
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

<div class="flex flex-wrap gap-x-2 gap-y-0.5 items-center py-0.5 px-3 border-b">
  <span class="unit">what I type next is from</span>
  <span role="radiogroup" aria-label="source of the next figures">
    {#each SOURCE_KINDS as kind (kind)}
      <Button kind="bare" role="radio" aria-checked={source.kind === kind} onclick={() => desk.setSource({ kind })}
        >{sourceWords({ kind, title: '' })}</Button
      >
    {/each}
  </span>
  <input
    class="field title min-w-[14em]"
    aria-label="title of the source"
    placeholder={HOW[source.kind]}
    maxlength="160"
    value={source.title}
    onchange={(event) => desk.setSource({ title: event.currentTarget.value })}
  />
  {#if source.kind === 'datasheet'}
    <label class="unit"
      >page <input
        class="field value page w-[3.5em]"
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
