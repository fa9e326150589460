<!-- One step of the wiring: a box to tick, what is put down, its leads hole by hole, what to measure after it. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import type { Circuit, Netlist } from '@idle-breadboard/core/circuit';
  import type { WiringStep } from '@idle-breadboard/core/deliver';
  import { spaced } from '@idle-breadboard/core/figures';
  import { setDone } from '@idle-breadboard/core/plan';
  import { counted, say } from '@idle-breadboard/core/words';
  import { tick as changed } from 'svelte';
  import Glyph from '../kit/Glyph.svelte';
  import LeadTable from '../kit/LeadTable.svelte';
  import { benchView } from '../state/bench-view.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import SocketEdit from './SocketEdit.svelte';

  interface Props {
    circuit: Circuit;
    netlist: Netlist;
    step: WiringStep;
    number: number;
    current: boolean;
    done: boolean;
  }
  let { circuit, netlist, step, number, current, done }: Props = $props();
  const about = $derived(view.opened?.subjects.some((subject) => step.subjects.includes(subject)) ?? false);
  const KIND = { look: 'look', continuity: 'beep', resistance: 'ohms', voltage: 'volts' } as const;
  let element = $state<HTMLElement>();
  /** Numbers of the leads, as they stand on the drawing, and how often one looks or measures. */
  const span = $derived.by(() => {
    const [first, last] = [step.leads[0]?.number, step.leads.at(-1)?.number];
    const checks = step.checks.length;
    return [
      first === undefined ? '' : first === last ? `lead ${first}` : `leads ${first} to ${last}`,
      checks === 0 ? '' : counted(checks, 'check'),
    ]
      .filter(Boolean)
      .join(' · ');
  });

  $effect(() => {
    if (about) element?.scrollIntoView({ block: 'nearest' });
  });

  /** The one that was open above closes: this one must not slip out of sight by that. */
  async function choose() {
    benchView.choose(step.key);
    await changed();
    element?.scrollIntoView({ block: 'nearest' });
  }

  function tick(on: boolean) {
    if (!workbench.plan) return;
    workbench.edit(setDone(workbench.plan, step.key, on), on ? `tick ${say(step.title)}` : `untick ${say(step.title)}`);
    // On to the next one that is open.
    if (on) benchView.choose(null);
  }
</script>

<li
  class="group/li [scroll-margin-top:calc(58cqh_+_56px)] border-b data-current:shadow-mark data-current:bg-raised grid grid-cols-[calc(var(--split)_*_100%)_minmax(0,1fr)] items-start max-desk:grid-cols-1 max-desk:[scroll-margin-top:calc(42cqh_+_56px)]"
  data-current={current || undefined}
  class:about
  bind:this={element}
>
  <div class="min-w-0">
    <div class="flex items-center gap-2 pl-2.5 min-h-row">
      <Tick checked={done} label="step {number} done: {say(step.title)}" change={(on) => tick(on)} />
      <button
        type="button"
        class="title flex gap-2 items-baseline flex-1 min-w-0 min-h-row py-1 pr-1 text-left group-data-current/li:font-semibold data-done:text-quiet data-done:line-through"
        data-done={done || undefined}
        aria-expanded={current}
        onclick={choose}
        ><span class="value unit">{number}</span><span>{say(step.title)}</span><span
          class="unit ml-auto whitespace-nowrap font-normal"
          >{step.leads.length > 0 ? counted(step.leads.length, 'lead') : ''}</span
        ></button
      >
    </div>
    {#if current && (step.put.length > 0 || step.cautions.length > 0)}
      <div class="pb-2 pr-2 pl-3.5">
        {#each step.cautions as caution (caution.says)}
          <p class="my-0.5 border-l-4 border-l-caution pl-2">
            <Glyph severity="caution" /><strong>{caution.hazard}</strong>
            {caution.says}
          </p>
        {/each}
        {#each step.put as put (put.part)}
          <p class="put my-0.5">
            Put down <strong>{say(put.label)}</strong>{put.says ? `: ${say(put.says)}` : ', beside the boards'}.
            {#if put.number}Label its lead <span class="value">{spaced(put.number)}</span>.{/if}
            <SocketEdit {circuit} {netlist} part={put.part} />
          </p>
        {/each}
      </div>
    {/if}
  </div>
  <div class="min-w-0 pl-5 pr-2.5 max-desk:pl-3.5">
    {#if current}
      <div class="pb-2 pt-1">
        {#if step.leads.length > 0}<LeadTable leads={step.leads} />{/if}
        {#if step.checks.length > 0}
          <ul class="mt-1.5" aria-label="checks after step {number}">
            {#each step.checks as check, i (i)}<li class="flex gap-2 py-px">
                <span class="kind value flex-none w-[3.2em] text-quiet">{KIND[check.kind]}</span>{say(check.says)}
              </li>{/each}
          </ul>
        {/if}
      </div>
    {:else if span}<p class="unit flex items-center min-h-row max-desk:hidden">{span}</p>{/if}
  </div>
</li>

<style>
  .about:not([data-current]) {
    background: var(--copper-soft);
  }
</style>
