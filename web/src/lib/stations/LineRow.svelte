<!-- A line of a bus: its resistors, the window that they must lie in, and the edge that they make. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import {
    allPullUps,
    effectivePullUp,
    pullUpWindow,
    slowestEdges,
    slowestLine,
    usualEdges,
    type Circuit,
    type Edge,
    type Net,
  } from '@idle-breadboard/core/circuit';
  import { formatQuantity, modeFor, SLOT_SAMPLE } from '@idle-breadboard/core/figures';
  import { changeHelperOf, removeHelper, type Plan } from '@idle-breadboard/core/plan';
  import { addPullUp } from '@idle-breadboard/core/solve';
  import { wireLimit } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import EdgeView from '../charts/EdgeView.svelte';
  import PullUpWindow from '../charts/PullUpWindow.svelte';
  import Proof from '../kit/Proof.svelte';
  import QuantityField from '../kit/QuantityField.svelte';
  import Row from '../kit/Row.svelte';
  import { of, type Proofs } from '../state/proofs';
  import { trying } from '../state/trial.svelte';
  import { telling } from '../state/telling.svelte';
  import { circuitNow } from '../state/circuit-now';
  import { workbench } from '../state/workbench.svelte';
  import { shown } from './bus-proofs';
  import SpreadView from './SpreadView.svelte';

  interface Props {
    circuit: Circuit;
    net: Net;
    /** The line of the same bus that is in the same state, whose charts say it all. */
    alike: Net | null;
    proofs: Proofs;
    edit: (change: (plan: Plan) => Plan, why: string) => void;
  }
  let { circuit, net, alike, proofs, edit }: Props = $props();

  const PROOFS = [
    'bus/pull-up-weak',
    'bus/pull-up-strong',
    'bus/capacitance',
    'bus/pull-up-pairs',
    'wire/pull-up',
    'wire/budget',
    'level/no-pull-up',
  ];
  const pulls = $derived(allPullUps(net));
  const own = $derived(net.pullUps.filter((p) => p.helper !== null));
  const window = $derived(
    pullUpWindow(net, Math.max(0, ...pulls.map(({ voltage }) => voltage.max)), circuit.plan.rules),
  );

  /** Lead that a one-wire line would carry besides, m. */
  const spare = $derived(wireLimit(net)?.spareLead ?? null);

  /** The state of the bus in which this net is slowest. */
  const edges = $derived.by<{ usual: Edge; slowest: Edge; falling: Edge | null; allowed: number } | null>(() => {
    if (pulls.length === 0) return null;
    const line = slowestLine(circuit, net);
    const [usual, slowest] = [usualEdges(line, true).get(net.id), slowestEdges(line).get(net.id)];
    const falling = usualEdges(line, false).get(net.id) ?? null;
    if (!usual || !slowest) return null;
    if (net.protocol !== 'onewire') {
      const mode = modeFor(net.clock ?? 100e3);
      return mode ? { usual, slowest, falling, allowed: mode.riseTime } : null;
    }
    // A one-wire line is sampled so long after it was let go.
    const limit = wireLimit(net);
    const since = (edge: Edge): Edge => ({
      ...edge,
      start: 0,
      seconds: edge.start === null || edge.seconds === null ? null : edge.start + edge.seconds,
    });
    return limit ? { usual: since(usual), slowest: since(slowest), falling: null, allowed: SLOT_SAMPLE } : null;
  });

  function addPull() {
    const now = circuitNow();
    const wanted = now?.nets.find(({ id }) => id === net.id);
    const next = now && wanted && addPullUp(now, now.plan, wanted);
    if (next) workbench.edit(next, `add a pull-up to ${say(net.label)}`);
    else
      telling.say(
        `No pull-up fits ${say(net.label)}: its window is shut, or nothing feeds the rail that it would go to.`,
      );
  }

  const tryOhms = (ohms: number) =>
    own[0]?.helper && trying.set('ohms', own[0].helper, ohms, `${formatQuantity(ohms, 'Ω')} on ${say(net.label)}`);
</script>

<Row subjects={[net.id]} depth={1}>
  {#snippet choose()}
    <span>{say(net.label)}</span>
    {#each own as pull (pull.helper)}
      <span class="inline-flex items-center">
        <QuantityField
          value={pull.ohms.typ}
          unit="Ω"
          label="pull-up on {say(net.label)}"
          width="5em"
          check={(v) => (v > 0 ? null : 'more than 0 Ω')}
          ahead
          change={(ohms) =>
            edit(
              (p) => changeHelperOf(p, pull.helper ?? '', 'pull-up', (h) => ({ ...h, ohms })),
              `pull-up of ${say(net.label)}`,
            )}
        />
        <Button
          kind="bare"
          aria-label="remove the pull-up of {formatQuantity(pull.ohms.typ, 'Ω')} on {say(net.label)}"
          onclick={() => edit((p) => removeHelper(p, pull.helper ?? ''), `remove a pull-up of ${say(net.label)}`)}
          ><X size={13} /></Button
        >
      </span>
    {/each}
    <Button kind="bare" aria-label="add a pull-up to {say(net.label)}" onclick={addPull}
      ><Plus size={13} />pull-up</Button
    >
    <span class="said unit flex flex-wrap gap-x-3 basis-full text-aside">
      {#each pulls.filter((p) => p.helper === null) as pull, i (i)}<span
          >{formatQuantity(pull.ohms.typ, 'Ω')} {say(pull.label)}</span
        >{/each}
      {#if pulls.length > 1}<span>together {formatQuantity(effectivePullUp(net)?.typ ?? 0, 'Ω')}</span>{/if}
      <span>carries {formatQuantity(net.capacitance, 'F', 3)}</span>
      {#if spare !== null}<span
          >{spare < 0
            ? `${formatQuantity(-spare, 'm', 2)} of lead too much`
            : `room for ${formatQuantity(spare, 'm', 2)} of lead more`}</span
        >{/if}
    </span>
  {/snippet}
  {#snippet prove()}
    {#if alike && pulls.length > 0}
      <span class="unit">window and edge are those of {say(alike.label)}</span>
    {:else if pulls.length > 0}
      <PullUpWindow
        label={say(net.label)}
        {window}
        effective={effectivePullUp(net)}
        series={circuit.plan.rules.series}
        own={own[0]?.ohms.typ ?? null}
        onTry={tryOhms}
        onTake={() => trying.take()}
        onLeave={() => trying.clear()}
      />
    {/if}
    {#if edges && !alike}<EdgeView label={say(net.label)} {...edges} />{/if}
    {#each shown(of(proofs, net.id, ...PROOFS)) as result (result.key)}<Proof {result} />{/each}
    {#if edges && !alike && net.protocol === 'i2c'}<SpreadView {net} allowed={edges.allowed} />{/if}
  {/snippet}
</Row>
