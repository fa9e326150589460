import type { Circuit, Net, PullUp } from '../circuit/model.ts';
import { allPullUps, effectivePullUp } from '../physics/node.ts';
import { modeFor, riseTime } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusPullUpPairsSays {
  readonly broken: { net: Text; count: number; rp: Quantity };
  readonly holds: { net: Text; count: number; rp: Quantity };
  readonly meaning: null;
  readonly pullUp: { p: Text };
  readonly canBeTakenAway: null;
  readonly stays: null;
}

const tell = tells<BusPullUpPairsSays>('bus/pull-up-pairs');

const meta = {
  id: 'bus/pull-up-pairs',
  station: 'bus',
  breaks: 'note',
  scope: 'bus',
  reads: ['controller/pins/*/fittedPullUp/value', 'signals/*/fittedPullUp/value'],
} as const satisfies CheckMeta;

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
        ? tell('broken', { net: net.label, count: all.length, rp: quantityOf(rp.typ, 'Ω') })
        : tell('holds', { net: net.label, count: all.length, rp: quantityOf(rp.typ, 'Ω') }),
      meaning: tell('meaning'),
      workings: all.map((p) => ({
        name: tell('pullUp', { p: p.label }),
        sum: removable(p) ? tell('canBeTakenAway') : tell('stays'),
        value: p.ohms.typ,
        unit: 'Ω',
      })),
      rests: all.map(({ figure }) => (figure ? ([figure.card, figure.source] as const) : null)),
    }),
  ];
}

export const busPullUpPairs = {
  meta,
  ...overNets(judge),
} satisfies Check;
