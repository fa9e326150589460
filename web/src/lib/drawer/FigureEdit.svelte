<!-- Changes one figure of an own card; the card gets its next revision. -->
<script lang="ts">
  import { EVIDENCE, withFigure, type Card, type Evidence, type PlacedFigure } from '@idle-breadboard/core/card';
  import { say } from '@idle-breadboard/core/words';
  import { untrack } from 'svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import TextField from '../kit/TextField.svelte';
  import { drawer } from '../state/drawer.svelte';
  import { workbench } from '../state/workbench.svelte';

  let { card, figure, done }: { card: Card; figure: PlacedFigure; done: () => void } = $props();
  const BOUNDS = ['min', 'typ', 'max'] as const;
  let next = $state<{ min: number | undefined; typ: number | undefined; max: number | undefined }>(
    untrack(() => ({ min: figure.min, typ: figure.typ, max: figure.max })),
  );
  let kind = $state<Evidence>('measured');
  let title = $state('measured on the bench');
  let trouble = $state('');
  const unit = $derived(figure.unit === 'share' || figure.unit === 'offset' ? '' : figure.unit);

  async function keep() {
    const changed = withFigure(card, figure.place, next, { kind, title });
    if (!changed) {
      trouble = 'This figure is not one that can be changed alone.';
      return;
    }
    const problems = await workbench.cardProblems(changed);
    trouble = problems.map(({ message }) => say(message)).join('; ');
    if (problems.length > 0) return;
    await drawer.keep([changed]);
    done();
  }
</script>

<span class="inline-flex flex-wrap items-baseline gap-2">
  {#each BOUNDS as bound (bound)}
    {#if next[bound] !== undefined}
      <span
        ><span class="unit">{bound}</span>
        <QuantityField
          value={next[bound] ?? null}
          {unit}
          label="{say(figure.title)}, {bound}"
          width="6em"
          change={(value) => (next[bound] = value)}
        /></span
      >
    {/if}
  {/each}
  <select class="field" aria-label="kind of source" bind:value={kind}
    >{#each EVIDENCE as k (k)}<option value={k}>{k}</option>{/each}</select
  >
  <TextField value={title} label="title of the source" width="13em" most={160} change={(t) => (title = t)} />
  <button type="button" class="act" onclick={keep}>Keep as the next revision</button>
  <button type="button" class="act bare" onclick={done}>Leave it</button>
  {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
</span>
