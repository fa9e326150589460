<!-- Everything at once: the changes that bring the plan to verified, to take in part; or why that cannot be. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import { counted, say } from '@idle-breadboard/core/words';
  import type { Relaxation } from '@idle-breadboard/core/solve';
  import Glyph from '../kit/Glyph.svelte';
  import Button from '../kit/Button.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import { signedMoney } from '../kit/words';
  import { mending } from '../state/mending.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const found = $derived(mending.completion);
  const chosen = $derived(mending.taken.size);
  const whole = $derived(found !== null && chosen === found.changes.length);
  const titleOf = (id: string) => found?.changes.find((change) => change.id === id)?.title ?? id;
  const currency = $derived(workbench.plan?.budget?.currency ?? '');

  function close() {
    mending.stop();
    view.sheet = null;
  }

  /** What giving something up comes to, in words. */
  function price({ isEnough, goals, cost }: Relaxation): string {
    const money = `${signedMoney(cost)} ${currency}`.trim();
    if (isEnough === false) return `${money}; more is in the way`;
    if (!goals) return `${money}; what the rest takes was not worked out`;
    const parts = `${counted(goals.parts, 'part')} more`;
    return `${money}; the rest then takes ${parts}, ${signedMoney(goals.cents / 100)} ${currency}`.trim();
  }
  let takes = $state<HTMLElement>();
  // What was waited for can be taken at once.
  $effect(() => takes?.querySelector('button')?.focus());
</script>

<Sheet open title="Mend all" wide {close}>
  <div class="flex flex-col min-h-0 flex-1">
    {#if mending.running}
      <p class="m-0 p-3" role="status">{mending.progress}</p>
      <div class="flex flex-wrap items-center justify-end gap-x-2.5 gap-y-1.5 py-2 px-3 border-t border-t-quiet">
        {#if mending.known}<Button onclick={() => mending.enough()}>Take the best so far</Button>{/if}
        <Button onclick={close}>Stop</Button>
      </div>
    {:else if mending.trouble}
      <p class="m-0 p-3" role="alert">{mending.trouble}</p>
    {:else if found && found.why.length > 0}
      <div class="scroll py-1 overflow-y-auto min-h-0 flex-1">
        {#each found.why as why (say(why.sentence))}
          <section class="py-2 px-3.5 border-b">
            <p class="mb-1.5"><Glyph severity="fault" label={false} /> <strong>{say(why.sentence)}</strong></p>
            {#each why.relaxations as relaxation (say(relaxation.label))}
              <div class="flex flex-wrap items-center gap-x-2.5 gap-y-1 py-0.5 pl-7.5">
                <Button kind="sentence" onclick={() => mending.relax(relaxation)}>{say(relaxation.label)}</Button>
                <span class="unit">{price(relaxation)}</span>
              </div>
            {/each}
          </section>
        {/each}
      </div>
      <div class="flex flex-wrap items-center justify-end gap-x-2.5 gap-y-1.5 py-2 px-3 border-t border-t-quiet">
        <span class="unit grow">Nothing was changed.</span><Button onclick={close}>Close</Button>
      </div>
    {:else if found && found.changes.length === 0}
      <p class="m-0 p-3">
        {found.left.length === 0
          ? 'Nothing to mend: the plan is verified.'
          : 'None of the changes that were tried ends what is left:'}
      </p>
      {#each found.left as finding (finding.key)}<p class="py-1 px-3.5">
          <Glyph severity={finding.severity} />
          {say(finding.message)}
        </p>{/each}
      <div class="flex flex-wrap items-center justify-end gap-x-2.5 gap-y-1.5 py-2 px-3 border-t border-t-quiet">
        <Button onclick={close}>Close</Button>
      </div>
    {:else if found}
      <ul class="scroll py-1 overflow-y-auto min-h-0 flex-1" aria-label="changes">
        {#each found.changes as change, i (change.id)}
          {@const held = change.needs.filter((need) => !mending.taken.has(need))}
          <li class="flex flex-wrap items-center gap-x-2.5 min-h-row px-3 border-b">
            <label class="inline-flex items-center gap-2 min-w-0">
              <Tick
                checked={mending.taken.has(change.id)}
                disabled={held.length > 0}
                change={() => mending.toggle(change.id)}
              /><span class="value min-w-[1.6em] text-right text-quiet">{i + 1}</span><span
                class:unit={!mending.taken.has(change.id)}>{say(change.title)}</span
              >
            </label>
            {#if held.length > 0}<span class="unit">needs “{say(titleOf(held[0] ?? ''))}”</span>{/if}
          </li>
        {/each}
      </ul>
      {#each found.left as finding (finding.key)}<p class="py-1 px-3.5">
          <Glyph severity={finding.severity} /> Left, whatever was tried: {say(finding.message)}
        </p>{/each}
      <div class="flex flex-wrap items-center justify-end gap-x-2.5 gap-y-1.5 py-2 px-3 border-t border-t-quiet">
        <p class="flex-1 min-w-[14em]" role="status">
          {#if !mending.effect}Verifying
          {:else}
            <Glyph severity={mending.effect.status === 'verified' ? null : 'fault'} label={false} />
            <strong
              >{mending.effect.status === 'verified'
                ? mending.effect.unread > 0
                  ? 'Proved · hazards to read'
                  : 'Verified'
                : `Open · ${mending.effect.open} to settle`}</strong
            >
            · ends {mending.effect.ends.length}, brings {mending.effect.brings.length}{mending.effect.brings[0]
              ? `: ${say(mending.effect.brings[0].message)}`
              : ''}
            {#if whole}· {found.pieces < 0 ? '−' : '+'}{Math.abs(found.pieces)} pieces, {signedMoney(found.cost)}
              {currency}{/if}
          {/if}
        </p>
        <Button onclick={close}>Leave it</Button>
        <span bind:this={takes}
          ><Button kind="first" disabled={chosen === 0} onclick={() => mending.take()}
            >Take {whole ? 'all' : ''}
            {counted(chosen, 'change')}</Button
          ></span
        >
      </div>
    {/if}
  </div>
</Sheet>
