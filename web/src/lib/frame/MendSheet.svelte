<!-- Everything at once: the changes that bring the plan to verified, to take in part; or why that cannot be. -->
<script lang="ts">
  import { say } from '@idle-breadboard/core/words';
  import type { Goals } from '@idle-breadboard/core/solve';
  import Glyph from '../kit/Glyph.svelte';
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
  function price(goals: Goals | null, cost: number): string {
    const money = `${signedMoney(cost)} ${currency}`.trim();
    if (!goals) return `${money}; more is in the way`;
    const parts = goals.parts === 1 ? '1 part more' : `${goals.parts} parts more`;
    return `${money}; the rest then takes ${parts}, ${signedMoney(goals.cents / 100)} ${currency}`.trim();
  }
</script>

<Sheet open title="Mend all" wide {close}>
  <div class="body">
    {#if mending.running}
      <p class="m-0 p-3" role="status">{mending.progress}</p>
      <div class="foot">
        {#if mending.known}<button type="button" class="act" onclick={() => mending.enough()}
            >Take the best so far</button
          >{/if}
        <button type="button" class="act" onclick={close}>Stop</button>
      </div>
    {:else if mending.trouble}
      <p class="m-0 p-3" role="alert">{mending.trouble}</p>
    {:else if found && found.why.length > 0}
      <div class="scroll">
        {#each found.why as why (say(why.sentence))}
          <section class="why">
            <p><Glyph severity="fault" label={false} /> <strong>{say(why.sentence)}</strong></p>
            {#each why.relaxations as relaxation (say(relaxation.label))}
              <div class="relax">
                <button type="button" class="act" onclick={() => mending.relax(relaxation)}
                  >{say(relaxation.label)}</button
                >
                <span class="unit">{price(relaxation.goals, relaxation.cost)}</span>
              </div>
            {/each}
          </section>
        {/each}
      </div>
      <div class="foot">
        <span class="unit grow">Nothing was changed.</span><button type="button" class="act" onclick={close}
          >Close</button
        >
      </div>
    {:else if found && found.changes.length === 0}
      <p class="m-0 p-3">
        {found.left.length === 0
          ? 'Nothing to mend: the plan is verified.'
          : 'None of the changes that were tried ends what is left:'}
      </p>
      {#each found.left as finding (finding.key)}<p class="left">
          <Glyph severity={finding.severity} />
          {say(finding.message)}
        </p>{/each}
      <div class="foot"><button type="button" class="act" onclick={close}>Close</button></div>
    {:else if found}
      <ul class="scroll" aria-label="changes">
        {#each found.changes as change, i (change.id)}
          {@const held = change.needs.filter((need) => !mending.taken.has(need))}
          <li>
            <label>
              <input
                type="checkbox"
                checked={mending.taken.has(change.id)}
                disabled={held.length > 0}
                onchange={() => mending.toggle(change.id)}
              /><span class="value number">{i + 1}</span><span class:unit={!mending.taken.has(change.id)}
                >{say(change.title)}</span
              >
            </label>
            {#if held.length > 0}<span class="unit">needs “{say(titleOf(held[0] ?? ''))}”</span>{/if}
          </li>
        {/each}
      </ul>
      {#each found.left as finding (finding.key)}<p class="left">
          <Glyph severity={finding.severity} /> No wiring ends this: {say(finding.message)}
        </p>{/each}
      <div class="foot">
        <p class="effect" role="status">
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
        <button type="button" class="act" onclick={close}>Leave it</button>
        <button type="button" class="act take" disabled={chosen === 0} onclick={() => mending.take()}>
          Take {whole ? 'all' : ''}
          {chosen}
          {chosen === 1 ? 'change' : 'changes'}
        </button>
      </div>
    {/if}
  </div>
</Sheet>

<style>
  .body {
    display: flex;
    flex-direction: column;
    min-height: 0;
    flex: 1;
  }
  .scroll {
    margin: 0;
    padding: 4px 0;
    list-style: none;
    overflow-y: auto;
    min-height: 0;
    flex: 1;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 10px;
    min-height: var(--row);
    padding: 0 12px;
    border-bottom: 1px solid var(--line);
  }
  label {
    display: inline-flex;
    align-items: center;
    gap: 8px;
    min-width: 0;
  }
  .number {
    min-width: 1.6em;
    text-align: right;
    color: var(--quiet);
  }
  .why {
    padding: 8px 14px;
    border-bottom: 1px solid var(--line);
  }
  .why p {
    margin: 0 0 6px;
  }
  .relax {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 10px;
    padding: 2px 0 2px 30px;
  }
  .relax .act {
    white-space: normal;
    text-align: left;
  }
  .left {
    margin: 0;
    padding: 3px 14px;
  }
  .foot {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: flex-end;
    gap: 6px 10px;
    padding: 8px 12px;
    border-top: 1px solid var(--quiet);
  }
  .effect {
    margin: 0;
    flex: 1;
    min-width: 14em;
  }
  .take {
    background: var(--copper);
    color: var(--board);
    border-color: var(--copper);
  }
  .take:hover:not(:disabled) {
    background: var(--ink);
    border-color: var(--ink);
  }
</style>
