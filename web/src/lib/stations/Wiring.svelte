<script lang="ts">
  import { setDone, type Circuit, type WiringPlan } from '@idle-breadboard/core';
  import Download from '@lucide/svelte/icons/download';
  import Printer from '@lucide/svelte/icons/printer';
  import Cautions from '../kit/Cautions.svelte';
  import LeadTable from '../kit/LeadTable.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { saveCsv } from '../frame/actions';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, wiring }: { circuit: Circuit; wiring: WiringPlan } = $props();
  const done = $derived(new Set(circuit.plan.done));
  const count = $derived(wiring.steps.filter(({ key }) => done.has(key)).length);
  const next = $derived(wiring.steps.find(({ key }) => !done.has(key))?.key);
  const open = $derived((workbench.study?.verdict.status ?? 'open') !== 'verified');
</script>

<Station title="Wiring" says="{count} of {wiring.steps.length} steps done">
  {#snippet tools()}
    <button type="button" class="act" onclick={() => window.print()}><Printer size={14} />Print the plan</button>
    <button type="button" class="act" onclick={() => saveCsv('wiring')}><Download size={14} />CSV</button>
  {/snippet}
  {#if open}
    <Row
      >{#snippet choose()}<strong class="text-fault">Not verified.</strong> Settle the findings before you wire this.{/snippet}</Row
    >
  {/if}
  <Cautions {wiring} />
  {#each wiring.steps as step, i (step.key)}
    <Row subjects={[step.key.replace(/^(net|rail|coil):/, '')]}>
      {#snippet choose()}
        <label class="step" class:next={step.key === next}>
          <input
            type="checkbox"
            checked={done.has(step.key)}
            onchange={(event) =>
              workbench.plan &&
              workbench.edit(setDone(workbench.plan, step.key, event.currentTarget.checked), 'tick a step')}
          />
          <span class="value unit">{i + 1}</span>
          <span class:done={done.has(step.key)}>{step.title}</span>
        </label>
        {#if step.check}<span class="check unit">{step.check}</span>{/if}
      {/snippet}
      {#snippet prove()}
        {#if step.leads.length > 0}<LeadTable leads={step.leads} />{/if}
      {/snippet}
    </Row>
  {/each}
</Station>

<style>
  .step {
    display: flex;
    align-items: center;
    gap: 8px;
    width: 100%;
    min-height: 26px;
  }
  .next {
    font-weight: 650;
  }
  .done {
    color: var(--quiet);
    text-decoration: line-through;
  }
  .check {
    padding-left: 22px;
    padding-bottom: 4px;
  }
</style>
