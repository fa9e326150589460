<!-- Name of the plan, and the house rules with the reason for each. -->
<script lang="ts">
  import { RULE_REASONS, setRules, type HouseRules } from '@idle-breadboard/core';
  import QuantityField from '../kit/QuantityField.svelte';
  import Sheet from '../kit/Sheet.svelte';
  import TextField from '../kit/TextField.svelte';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const plan = $derived(workbench.plan);
  const rules = $derived(plan?.rules);
  type Choice = 'marginalLevels' | 'feed' | 'pullUpValue' | 'series' | 'buying';
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
      rule: 'feed',
      name: 'Feed of a wide-range part',
      options: [
        ['logic-rail', 'the controller’s logic rail'],
        ['five-volts', '5 V with translation'],
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

  const set = (change: Partial<HouseRules>, why: string) => plan && workbench.edit(setRules(plan, change), why);
</script>

<Sheet open={view.sheet === 'rules'} title="Name and house rules" close={() => (view.sheet = null)}>
  {#if plan && rules}
    <div class="overflow-y-auto p-3">
      <p>
        <TextField
          value={plan.name}
          label="name of the plan"
          width="100%"
          most={80}
          change={(name) => workbench.edit({ ...plan, name }, 'name the plan')}
        />
      </p>
      {#each CHOICES as { rule, name, options } (rule)}
        <label class="rule">
          <span class="name">{name}</span>
          <select
            class="field"
            value={rules[rule]}
            onchange={(event) => set({ [rule]: event.currentTarget.value }, name)}
          >
            {#each options as [value, text] (value)}<option {value}>{text}</option>{/each}
          </select>
          <span class="unit why">{RULE_REASONS[rule]}</span>
        </label>
      {/each}
      <div class="rule">
        <span class="name">Derating</span>
        <span
          ><QuantityField
            value={Math.round(rules.derating * 100)}
            unit="%"
            label="derating"
            width="4em"
            check={(v) => (v >= 10 && v <= 100 ? null : 'from 10 to 100 %')}
            change={(percent) => set({ derating: percent / 100 }, 'Derating')}
          /></span
        >
        <span class="unit why">{RULE_REASONS.derating}</span>
      </div>
      <div class="rule">
        <span class="name">Wire colours</span>
        <span class="colours">
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
        <span class="unit why">{RULE_REASONS.colours}</span>
      </div>
    </div>
  {/if}
</Sheet>

<style>
  .rule {
    display: grid;
    grid-template-columns: 12em minmax(0, 1fr);
    gap: 2px 12px;
    padding: 6px 0;
    border-top: 1px solid var(--line);
    align-items: baseline;
  }
  .name {
    font-weight: 600;
  }
  .why {
    grid-column: 2;
  }
  .colours {
    display: flex;
    flex-wrap: wrap;
    gap: 4px 14px;
  }
  p {
    margin: 0 0 10px;
    font-weight: 600;
  }
</style>
