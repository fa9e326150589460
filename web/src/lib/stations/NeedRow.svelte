<!-- A need as a sentence with editable parts; across the channel who serves it, and who could. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import type { Circuit } from '@idle-breadboard/core/circuit';
  import { needName, removeNeed, serveNeed, type Need, type Plan } from '@idle-breadboard/core/plan';
  import { counted, say } from '@idle-breadboard/core/words';
  import X from '@lucide/svelte/icons/x';
  import Proof from '../kit/Proof.svelte';
  import Row from '../kit/Row.svelte';
  import { candidates, changeOf, mayServe, nearest, REASON_WORDS } from '../state/needs';
  import { of, type Proofs } from '../state/proofs';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import PlainSentence from './PlainSentence.svelte';
  import SenseSentence from './SenseSentence.svelte';
  import TriggerSentence from './TriggerSentence.svelte';

  interface Props {
    circuit: Circuit;
    need: Need;
    proofs: Proofs;
    asked: readonly { quantity: string; unit: string }[];
    edit: (change: (plan: Plan) => Plan, why: string) => void;
    serve: (card: string) => void;
  }
  let { circuit, need, proofs, asked, edit, serve }: Props = $props();
  const judged = $derived(need.kind === 'sense' || (need.kind !== 'trigger' && need.service !== undefined));
  const found = $derived(judged ? candidates(workbench.library, circuit, need) : null);
  const able = $derived(mayServe(circuit, need));
  const miss = $derived(
    need.kind === 'sense' && found?.able.length === 0 ? nearest(workbench.library, circuit, need) : null,
  );
  const serving = $derived(circuit.plan.parts.filter((part) => part.needs.includes(need.id)));
  const changeSense = $derived(changeOf(edit, need.id, (n) => n.kind === 'sense'));
  const changeTrigger = $derived(changeOf(edit, need.id, (n) => n.kind === 'trigger'));
  const changePlain = $derived(changeOf(edit, need.id, (n) => n.kind !== 'sense' && n.kind !== 'trigger'));
  const name = $derived(say(needName(circuit.plan, need)));
  const CHECKS = ['need/interval', 'need/warm-up', 'need/trigger', 'need/selectivity'];
  /** Range and accuracy always; of the others only what is told or broken, so that a row stays a row. */
  const shown = $derived(
    [
      ...of(proofs, need.id, 'need/range', 'need/accuracy'),
      ...of(proofs, need.id, ...CHECKS).filter(({ severity, check }) => severity !== null || check === 'need/trigger'),
    ].filter(({ subjects }) => subjects[0] === need.id),
  );

  function pick(value: string) {
    if (value.startsWith('part:')) edit((p) => serveNeed(p, need.id, value.slice(5), true), 'who serves a need');
    else if (value.startsWith('card:')) serve(value.slice(5));
  }
</script>

<Row subjects={[need.id]}>
  {#snippet choose()}
    <span class="leading-[1.75] flex-1 min-w-0">
      {#if need.kind === 'sense'}<SenseSentence
          {need}
          {name}
          {asked}
          library={workbench.library}
          years={circuit.plan.lifeYears}
          change={changeSense}
        />
      {:else if need.kind === 'trigger'}<TriggerSentence plan={circuit.plan} {need} {name} change={changeTrigger} />
      {:else}<PlainSentence {need} {name} change={changePlain} />{/if}
    </span>
    <Button
      kind="bare"
      class="ml-auto"
      aria-label="remove the need: {name}"
      onclick={() => edit((p) => removeNeed(p, need.id), 'remove a need')}><X size={14} /></Button
    >
  {/snippet}
  {#snippet prove()}
    {#if need.kind !== 'trigger'}
      <span class="inline-flex flex-wrap items-center gap-x-2 gap-y-0.5 w-full min-h-6.5">
        {#each serving as part (part.id)}
          <span class="tag inline-flex items-center font-semibold"
            >{part.label}<Button
              kind="bare"
              aria-label="{part.label} no longer serves {name}"
              onclick={() => edit((p) => serveNeed(p, need.id, part.id, false), 'who serves a need')}
              ><X size={12} /></Button
            ></span
          >
        {/each}
        <Select
          label="who serves {name}"
          class="w-[13em]"
          value=""
          choices={[
            ...(found?.able ?? []).map((card) => ({
              value: `card:${card.id}`,
              label: card.name,
              group: 'add from the catalogue',
            })),
            ...able.map((part) => ({ value: `part:${part.id}`, label: part.label, group: 'a part of the plan' })),
          ]}
          change={pick}
          placeholder={serving.length === 0 ? 'choose who serves it' : 'or another'}
        />
        {#if found}
          <Button kind="bare" onclick={() => view.compare(need.id)}
            >{counted(found.able.length, 'card meets', 'cards meet')} it</Button
          >
          {#if miss}
            <span class="unit">nearest: {miss.card.name}, which {say(miss.says)}</span>
            {#if miss.step}
              {@const step = miss.step}
              <Button onclick={() => changeSense((now) => ({ ...now, ...step.need }), 'the need that a card meets')}
                >{say(step.says)}</Button
              >
            {/if}
          {/if}
          {#each found.out as { reason, cards } (reason)}
            <span class="unit" title={cards.map((card) => card.name).join(', ')}
              >{counted(cards.length, 'fails', 'fail')} by {REASON_WORDS[reason]}</span
            >
          {/each}
        {/if}
      </span>
    {/if}
    {#each shown as result (result.key)}<Proof {result} />{/each}
  {/snippet}
</Row>
