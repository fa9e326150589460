<!-- Name of the plan, and the house rules with the reason for each. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import Button from '../kit/Button.svelte';
  import { wordOf } from '@idle-breadboard/core/figures';
  import { setRules, type HouseRules, type Plan } from '@idle-breadboard/core/plan';
  import { counted, say } from '@idle-breadboard/core/words';
  import Glyph from '../kit/Glyph.svelte';
  import type { Effect } from '../worker/study';
  import QuantityField from '../kit/QuantityField.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import TextField from '../kit/TextField.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const plan = $derived(workbench.plan);
  const rules = $derived(plan?.rules);
  type Choice = 'marginalLevels' | 'marginalSupplies' | 'feed' | 'pullUps' | 'pullUpValue' | 'series' | 'buying';
  const CHOICES: readonly { rule: Choice; name: string; options: readonly (readonly [string, string])[] }[] = [
    {
      rule: 'marginalLevels',
      name: 'Marginal levels',
      options: [
        ['guaranteed', 'guaranteed'],
        ['working', 'working, flagged'],
      ],
    },
    {
      rule: 'marginalSupplies',
      name: 'Marginal supplies',
      options: [
        ['guaranteed', 'guaranteed'],
        ['working', 'working, flagged'],
      ],
    },
    {
      rule: 'feed',
      name: 'Feed of a wide-range part',
      options: [
        ['logic-rail', 'the controller’s logic rail'],
        ['five-volts', '5 V with translation'],
      ],
    },
    {
      rule: 'pullUps',
      name: 'Pull-ups',
      options: [
        ['one-pair', 'one pair for a bus'],
        ['keep', 'keep the modules’ own'],
      ],
    },
    {
      rule: 'pullUpValue',
      name: 'Pull-up value',
      options: [
        ['strongest', 'strongest of the window'],
        ['middle', 'middle'],
        ['weakest', 'weakest'],
      ],
    },
    {
      rule: 'series',
      name: 'Resistors in the drawer',
      options: [
        ['E6', 'E6'],
        ['E12', 'E12'],
        ['E24', 'E24'],
        ['E96', 'E96'],
      ],
    },
    {
      rule: 'buying',
      name: 'Buying',
      options: [
        ['fast', 'fast and dear'],
        ['cheap', 'slow and cheap, with spares'],
      ],
    },
  ];
  const COLOURS = ['supply', 'logic', 'ground', 'data', 'clock'] as const;

  /** A rule in hand: what it would end and bring is shown before it is taken. */
  let held = $state.raw<{ rule: Choice; value: string; plan: Plan; effect: Effect | null } | null>(null);

  async function hold(rule: Choice, value: string) {
    if (!plan || !rules || rules[rule] === value) {
      held = null;
      return;
    }
    const next = setRules(plan, { [rule]: value });
    held = { rule, value, plan: next, effect: null };
    const effect = await workbench.effectOf(next);
    if (held.plan === next) held = { ...held, effect };
  }

  function takeHeld(name: string) {
    if (held) workbench.edit(held.plan, name);
    held = null;
  }

  const set = (change: Partial<HouseRules>, why: string) => plan && workbench.edit(setRules(plan, change), why);
</script>

<Sheet open={view.sheet === 'rules'} title="Name and my rules" close={() => (view.sheet = null)}>
  {#if plan && rules}
    <div class="overflow-y-auto p-3">
      <p class="mb-2.5 font-semibold">
        <TextField
          value={plan.name}
          label="name of the plan"
          width="100%"
          most={80}
          change={(name) => workbench.edit({ ...plan, name }, 'name the plan')}
        />
      </p>
      {#each CHOICES as { rule, name, options } (rule)}
        <label class="grid grid-cols-[12em_minmax(0,1fr)] gap-x-3 gap-y-0.5 py-1.5 border-t items-baseline">
          <span class="font-semibold">{name}</span>
          <Select
            label={name}
            value={String(held?.rule === rule ? held.value : rules[rule])}
            choices={options.map(([value, label]) => ({ value: String(value), label }))}
            change={(to) => hold(rule, to)}
          />
          <span class="unit col-[2]">{say(wordOf('rule', rule))}</span>
        </label>
        {#if held?.rule === rule}
          <div
            class="mb-1.5 ml-[12em] pt-1 pb-1.5 px-3 border-l-3 border-l-copper bg-copper-soft max-desk:ml-0"
            role="status"
          >
            {#if held.effect === null}<span class="unit">working it out</span>
            {:else}
              <p class="font-semibold">
                {#if held.effect.ends.length + held.effect.brings.length === 0}It changes no finding of this plan; it
                  counts for what comes.{:else}Ends {counted(held.effect.ends.length, 'finding')}, brings {counted(
                    held.effect.brings.length,
                    'finding',
                  )}.{/if}
              </p>
              <ul class="mt-0.5 mb-1.5">
                {#each held.effect.ends.slice(0, 6) as result (result.key)}<li>
                    <Glyph severity={null} /> ends: {say(result.message)}
                  </li>{/each}
                {#each held.effect.brings.slice(0, 6) as result (result.key)}<li>
                    <Glyph severity={result.severity} /> brings: {say(result.message)}
                  </li>{/each}
                {#if held.effect.ends.length > 6 || held.effect.brings.length > 6}<li class="unit">
                    and more of the same kind
                  </li>{/if}
              </ul>
            {/if}
            <Button onclick={() => takeHeld(name)}>Take the rule</Button>
            <Button onclick={() => (held = null)}>Leave it</Button>
          </div>
        {/if}
      {/each}
      <div class="grid grid-cols-[12em_minmax(0,1fr)] gap-x-3 gap-y-0.5 py-1.5 border-t items-baseline">
        <span class="font-semibold">Derating</span>
        <span
          ><QuantityField
            value={Math.round(rules.derating * 100)}
            unit="%"
            label="share of a stated limit that is allowed"
            width="4em"
            check={(v) => (v >= 10 && v <= 100 ? null : 'from 10 to 100 %')}
            ahead
            change={(percent) => set({ derating: percent / 100 }, 'Allowed share')}
          /></span
        >
        <span class="unit col-[2]">{say(wordOf('rule', 'derating'))}</span>
      </div>
      <div class="grid grid-cols-[12em_minmax(0,1fr)] gap-x-3 gap-y-0.5 py-1.5 border-t items-baseline">
        <span class="font-semibold">Power from a pin</span>
        <span
          >{rules.pinPower === 0 ? 'never, ' : 'up to '}<QuantityField
            value={Math.round(rules.pinPower * 100)}
            unit="%"
            label="share of a pin’s recommended current that may feed a part"
            width="4em"
            check={(v) => (v >= 0 && v <= 100 ? null : 'from 0 (never) to 100 %')}
            ahead
            change={(percent) => set({ pinPower: percent / 100 }, 'Power from a pin')}
          /> of what the pin is meant for</span
        >
        <span class="unit col-[2]">{say(wordOf('rule', 'pinPower'))}</span>
      </div>
      <div class="grid grid-cols-[12em_minmax(0,1fr)] gap-x-3 gap-y-0.5 py-1.5 border-t items-baseline">
        <span class="font-semibold">Wire colours</span>
        <span class="flex flex-wrap gap-x-3.5 gap-y-1">
          {#each COLOURS as role (role)}<span
              >{role}
              <TextField
                value={rules.colours[role]}
                label="colour of {role}"
                width="5.5em"
                most={24}
                change={(colour) => set({ colours: { ...rules.colours, [role]: colour } }, 'Wire colours')}
              /></span
            >{/each}
        </span>
        <span class="unit col-[2]">{say(wordOf('rule', 'colours'))}</span>
      </div>
    </div>
  {/if}
</Sheet>
