import type { Circuit, Net } from '../circuit/circuit.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { effectivePullUp } from '../physics/node.ts';
import { linesOf } from '../physics/line.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { BUS_TIMING_SOURCE, modeFor, riseTime } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/capacitance',
  title: 'The bus carries no more capacitance than its mode allows',
  station: 'bus',
  rule: 'Pins (10 pF each where a card says nothing), leads, board rows and translators of a segment add up to 400 pF at most, 550 pF in fast-plus mode. A channel of a bus switch adds its segment while it is on. More is a note where the line rises in time all the same, and nothing here where bus/pull-up-weak says that it does not.',
  source: BUS_TIMING_SOURCE,
  breaks: 'note',
};

/** Nets that are one wire while a channel of a bus switch is on: those joined without a translator. */
function together(circuit: Circuit, net: Net): readonly Net[] {
  const states = linesOf(circuit, net).map(({ nets }) => nets.filter(({ beyond }) => beyond === net.beyond));
  const weight = (nets: readonly Net[]) => nets.reduce((sum, { capacitance }) => sum + capacitance, 0);
  return net.beyond === null
    ? states.reduce((a, b) => (weight(b) > weight(a) ? b : a), [net] as readonly Net[])
    : [net];
}

function judge(circuit: Circuit, net: Net): Result[] {
  const mode = modeFor(net.clock ?? 100e3);
  if (net.protocol !== 'i2c' || !mode) return [];
  const nets = together(circuit, net);
  const farads = nets.reduce((sum, { capacitance }) => sum + capacitance, 0);
  const margin = mode.capacitance - farads;
  const rp = effectivePullUp(net);
  const rises = rp !== null && riseTime(rp.max, farads) <= mode.riseTime;
  // One cause, one finding: a line that is too slow is told by its rise.
  if (margin < 0 && rp !== null && !rises) return [];
  const F = (x: number) => formatQuantity(x, 'F', 3);
  const longest = margin < 0 ? ` Shorter leads, or a segment more, bring it down.` : '';
  return [
    result(circuit, meta, {
      subjects: [net.id],
      severity: margin < 0 ? (rises ? 'note' : 'fault') : null,
      measured: farads,
      limit: mode.capacitance,
      unit: 'F',
      margin,
      assumed: nets.some((one) => one.ends.some(({ part }) => isLeadAssumed(circuit, part))),
      message:
        margin < 0
          ? `${net.label} carries ${F(farads)}; ${F(mode.capacitance)} are allowed in ${mode.name} mode.${rises ? ' It rises in time all the same.' : longest}`
          : `${net.label} carries ${F(farads)} of ${F(mode.capacitance)} allowed.`,
      meaning:
        'There are 112 addresses, but no bus carries 112 parts: each pin and each lead is a little capacitor that the pull-up has to fill at every bit.',
      workings: [
        ...nets.flatMap(({ capacitanceTerms }) =>
          capacitanceTerms.map(({ label, farads: f }) => ({ name: label, sum: '', value: f, unit: 'F' })),
        ),
        { name: 'together', sum: `${F(mode.capacitance)} − ${F(farads)} to spare`, value: farads, unit: 'F' },
      ],
      rests: [],
    }),
  ];
}

export const busCapacitance: Check = { meta, run: (circuit) => circuit.nets.flatMap((net) => judge(circuit, net)) };
