import type { Circuit, Net } from '../circuit/model.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { effectivePullUp } from '../physics/node.ts';
import { linesOf } from '../physics/line.ts';
import { modeFor, riseTime } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { term } from './terms.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusCapacitanceSays {
  readonly shorterLeadsOrSegment: null;
  readonly risesTimeAllSame: null;
  readonly broken: { net: Text; farads: Quantity; capacitance: Quantity; mode: Text; rises: Text };
  readonly holds: { net: Text; farads: Quantity; capacitance: Quantity };
  readonly meaning: null;
  readonly spare: { capacitance: Quantity; farads: Quantity };
}

const tell = tells<BusCapacitanceSays>('bus/capacitance');

const meta = {
  id: 'bus/capacitance',
  station: 'bus',
  breaks: 'note',
  scope: 'bus',
  reads: ['controller/io/capacitance', 'signals/*/capacitance'],
} as const satisfies CheckMeta;

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
  const F = (x: number) => quantityOf(x, 'F', 3);
  const longest = margin < 0 ? tell('shorterLeadsOrSegment') : '';
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
          ? tell('broken', {
              net: net.label,
              farads: F(farads),
              capacitance: F(mode.capacitance),
              mode: mode.name,
              rises: rises ? tell('risesTimeAllSame') : longest,
            })
          : tell('holds', { net: net.label, farads: F(farads), capacitance: F(mode.capacitance) }),
      meaning: tell('meaning'),
      workings: [
        ...nets.flatMap(({ capacitanceTerms }) =>
          capacitanceTerms.map(({ label, farads: f }) => ({ name: label, sum: '', value: f, unit: 'F' })),
        ),
        {
          name: term('together'),
          sum: tell('spare', { capacitance: F(mode.capacitance), farads: F(farads) }),
          value: farads,
          unit: 'F',
        },
      ],
      rests: [],
    }),
  ];
}

export const busCapacitance = {
  meta,
  ...overNets(judge),
} satisfies Check;
