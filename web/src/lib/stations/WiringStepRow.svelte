<!-- One step of the wiring: a box to tick, what is put down, its leads hole by hole, what to measure after it. -->
<script lang="ts">
  import type { Circuit, Netlist } from '@idle-breadboard/core/circuit';
  import type { WiringStep } from '@idle-breadboard/core/deliver';
  import { setDone } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
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
  const about = $derived(view.result?.subjects.some((subject) => step.subjects.includes(subject)) ?? false);
  const KIND = { look: 'look', continuity: 'beep', resistance: 'ohms', voltage: 'volts' } as const;
  let element = $state<HTMLElement>();

  $effect(() => {
    if (about && view.result?.key === view.selected) element?.scrollIntoView({ block: 'nearest' });
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

<li class:current class:about bind:this={element}>
  <div class="head">
    <input
      type="checkbox"
      checked={done}
      aria-label="step {number} done: {say(step.title)}"
      onchange={(event) => tick(event.currentTarget.checked)}
    />
    <button type="button" class="title" class:done aria-expanded={current} onclick={choose}
      ><span class="value unit">{number}</span><span>{say(step.title)}</span><span class="unit count"
        >{step.leads.length > 0 ? `${step.leads.length} ${step.leads.length === 1 ? 'lead' : 'leads'}` : ''}</span
      ></button
    >
  </div>
  {#if current}
    <div class="inside">
      {#each step.cautions as caution (caution.says)}
        <p class="caution"><Glyph severity="caution" /><strong>{caution.hazard}</strong> {caution.says}</p>
      {/each}
      {#each step.put as put (put.part)}
        <p class="put">
          Put down <strong>{say(put.label)}</strong>{put.says ? `: ${say(put.says)}` : ', beside the boards'}. <SocketEdit
            {circuit}
            {netlist}
            part={put.part}
          />
        </p>
      {/each}
      {#if step.leads.length > 0}<LeadTable leads={step.leads} />{/if}
      {#if step.checks.length > 0}
        <ul aria-label="checks after step {number}">
          {#each step.checks as check, i (i)}<li>
              <span class="kind value">{KIND[check.kind]}</span>{say(check.says)}
            </li>{/each}
        </ul>
      {/if}
    </div>
  {/if}
</li>

<style>
  li {
    scroll-margin-top: calc(var(--heads) + 4px);
    border-bottom: 1px solid var(--line);
  }
  .current {
    box-shadow: inset 4px 0 var(--copper);
    background: var(--raised);
  }
  .about:not(.current) {
    background: var(--copper-soft);
  }
  .head {
    display: flex;
    align-items: center;
    gap: 8px;
    padding-left: 10px;
    min-height: var(--row);
  }
  .head input {
    width: 18px;
    height: 18px;
    flex: none;
  }
  .title {
    display: flex;
    gap: 8px;
    align-items: baseline;
    flex: 1;
    min-width: 0;
    min-height: var(--row);
    padding: 4px 4px 4px 0;
    text-align: left;
    color: inherit;
  }
  .current .title {
    font-weight: 650;
  }
  .title.done {
    color: var(--quiet);
    text-decoration: line-through;
  }
  .count {
    margin-left: auto;
    white-space: nowrap;
    font-weight: 400;
  }
  .inside {
    padding: 0 8px 8px 14px;
  }
  p {
    margin: 2px 0;
  }
  .caution {
    border-left: 4px solid var(--caution);
    padding-left: 8px;
  }
  ul {
    margin: 6px 0 0;
    padding: 0;
    list-style: none;
  }
  ul li {
    display: flex;
    gap: 8px;
    border: 0;
    padding-block: 1px;
  }
  .kind {
    flex: none;
    width: 3.2em;
    color: var(--quiet);
  }
</style>
