<!-- A rail: what it gives and what may be drawn, how warm its regulator gets. -->
<script lang="ts">
  import Tick from '../kit/Tick.svelte';
  import Button from '../kit/Button.svelte';
  import { toInterval } from '@idle-breadboard/core/card';
  import type { Circuit, Rail, Timeline } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { changePart } from '@idle-breadboard/core/plan';
  import { stagger } from '@idle-breadboard/core/solve';
  import { say } from '@idle-breadboard/core/words';
  import RailRound from '../charts/RailRound.svelte';
  import Proof from '../kit/Proof.svelte';
  import Row from '../kit/Row.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { telling } from '../state/telling.svelte';
  import { soon } from '../state/calm';
  import { circuitNow } from '../state/circuit-now';
  import { workbench } from '../state/workbench.svelte';

  interface Props {
    circuit: Circuit;
    proofs: Proofs;
    rail: Rail;
    /** What its parts do in one round; null where nothing is known of it. */
    line: Timeline | null;
    sources: number;
  }
  let { circuit, proofs, rail, line, sources }: Props = $props();
  /** Less than this share is not worth an order. */
  const WORTH = 0.02;
  const CHECKS = [
    'supply/source-current',
    'supply/rail-current',
    'supply/pin-fed',
    'supply/dropout',
    'supply/heat',
    'supply/cut-off',
  ];
  const limit = $derived(toInterval(rail.offer.limit).min * circuit.plan.rules.derating);
  /** Rounds of more steps than this are put in order only when asked: it may take a moment. */
  const MANY_STEPS = 2000;
  const clocked = $derived((line?.lanes ?? []).filter(({ rhythm }) => rhythm.every !== null).length);
  const long = $derived((line?.together.at.length ?? 0) > MANY_STEPS);
  let order = $state.raw<{ before: number; after: number } | null>(null);
  // It may take longer than a frame: nobody waits for it.
  $effect(() => {
    const { ref } = rail;
    if (clocked <= 1 || long || !circuit.rails.has(ref)) {
      order = null;
      return undefined;
    }
    let isAsked = true;
    const letBe = soon(() => void workbench.asks.order(ref).then((found) => isAsked && (order = found)));
    return () => {
      isAsked = false;
      letBe();
    };
  });
  function orderNow() {
    // What is built on the circuit that is shown would lose a change in between.
    const now = circuitNow();
    const found = now && stagger(now, rail.ref);
    if (found) workbench.edit(found.plan, `work one after the other on ${say(rail.label)}`);
    else telling.say('Nothing is gained: the peak is already as low as an order makes it.');
  }
  const isSource = $derived(!rail.offer.from && !rail.pin);
  const maker = $derived(circuit.parts.get(rail.part));
</script>

<Row subjects={[rail.ref, ...(isSource ? [rail.part] : [])]} head>
  {#snippet choose()}
    <span class="grow">{say(rail.label)}</span>
    {#if rail.voltage}<span class="unit font-normal value"
        >{formatQuantity(rail.voltage.min, 'V')}–{formatQuantity(rail.voltage.max, 'V')}</span
      >{/if}
    {#if isSource && sources > 1 && maker}
      <label class="unit font-normal inline-flex items-center gap-1"
        ><Tick
          checked={maker.choice?.apart === true}
          ahead
          change={(on) => {
            if (workbench.plan)
              workbench.edit(
                changePart(workbench.plan, rail.part, ({ apart: _apart, ...rest }) =>
                  on ? { ...rest, apart: true } : rest,
                ),
                `ground of ${say(maker.label)}`,
              );
          }}
        /> ground kept apart</label
      >
    {/if}
    {#if long && clocked > 1}<Button onclick={orderNow}>One after the other</Button>{/if}
    {#if order && order.before - order.after > WORTH * order.before}
      <Button onclick={orderNow}
        >One after the other: {formatQuantity(order.before, 'A')} to {formatQuantity(order.after, 'A')}</Button
      >
    {/if}
  {/snippet}
  {#snippet prove()}
    {#each of(proofs, rail.ref, ...CHECKS) as result (result.key)}<Proof {result} />{:else}<span class="unit"
        >nothing draws from it</span
      >{/each}
    {#each isSource ? of(proofs, rail.part, 'supply/common-ground') : [] as result (result.key)}<Proof
        {result}
      />{/each}
    {#if line}<div class="w-[calc(var(--round)_+_26px)]"><RailRound label={say(rail.label)} {line} {limit} /></div>{/if}
  {/snippet}
</Row>
