import type { Circuit, Net, PullUp } from '../circuit/circuit.ts';
import { allPullUps, effectivePullUp } from '../physics/node.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { modeFor, riseTime } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/pull-up-pairs',
  title: 'One pair of pull-ups for a bus',
  station: 'bus',
  rule: 'Under the house rule “one pair per bus” a line has no more pull-ups than it needs: at most one that can be taken away, and none where those that cannot be taken away suffice.',
  source: 'house rule of the plan',
  breaks: 'note',
};

/** Those that a maker can take away without a soldering iron. */
const removable = ({ helper, fitted }: PullUp): boolean => helper !== null || fitted?.removable === 'jumper';

function judge(circuit: Circuit, net: Net): Result[] {
  const mode = modeFor(net.clock ?? 100e3);
  if (net.protocol !== 'i2c' || circuit.plan.rules.pullUps !== 'one-pair' || !mode) return [];
  const all = allPullUps(net);
  const loose = all.filter(removable);
  const staying = effectivePullUp({ ...net, pullUps: all.filter((p) => !removable(p)), weak: null });
  const enough = staying !== null && riseTime(staying.max, net.capacitance) <= mode.riseTime;
  const most = enough ? 0 : 1;
  const rp = effectivePullUp(net);
  if (!rp || all.length < 2) return [];
  const broken = loose.length > most;
  return [
    result(circuit, meta, {
      subjects: [net.id],
      severity: broken ? 'note' : null,
      measured: loose.length,
      limit: most,
      unit: 'pull-ups',
      margin: most - loose.length,
      ranked: false,
      message: broken
        ? `${net.label} has ${all.length} pull-ups that make ${formatQuantity(rp.typ, 'Ω')} together; the house rule wants one pair for the bus.`
        : `${net.label} has ${all.length} pull-ups that make ${formatQuantity(rp.typ, 'Ω')}, and none too many.`,
      meaning: 'Pull-ups on every module add up in parallel: with each further module the sinks have to work harder.',
      workings: all.map((p) => ({
        name: `pull-up ${p.label}`,
        sum: removable(p) ? 'can be taken away' : 'stays',
        value: p.ohms.typ,
        unit: 'Ω',
      })),
      rests: all.map(({ figure }) => (figure ? ([figure.card, figure.source] as const) : null)),
    }),
  ];
}

export const busPullUpPairs: Check = { meta, run: (circuit) => circuit.nets.flatMap((net) => judge(circuit, net)) };
