import type { Circuit, Net } from '../circuit/circuit.ts';
import { linesOf } from '../physics/line.ts';
import { isLeadAssumed } from '../circuit/assumed.ts';
import { isJoined, slowestEdge, type Edge } from '../physics/edge.ts';
import { levelVolts } from '../circuit/level.ts';
import {
  allPullUps,
  effectivePullUp,
  highestRest,
  lowestRest,
  pullsToSeveralRails,
  pullUpSum,
} from '../physics/node.ts';
import { weakestSink } from '../physics/sink.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { BUS_TIMING_SOURCE, modeFor, pullUpMax, pullUpMin, riseTime, type BusMode } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const weak: CheckMeta = {
  id: 'bus/pull-up-weak',
  title: 'The pull-up lifts the line in time',
  station: 'bus',
  rule: 'tr = 0.8473 × Rp × Cb ≤ 1000 ns (standard), 300 ns (fast), 120 ns (fast-plus), every figure at its worst. Where pins leak, pull-ups go to several rails, or a translator or bus switch joins two sides, the rise is worked out on the whole network.',
  source: BUS_TIMING_SOURCE,
  standard: true,
  breaks: 'fault',
};

/** Clock of a bus that states none: standard mode. */
const modeOf = (net: Net): BusMode | null => modeFor(net.clock ?? 100e3);
const fittedRests = (net: Net) =>
  allPullUps(net).map(({ figure }) => (figure ? ([figure.card, figure.source] as const) : null));
const i2cNets = (circuit: Circuit) => circuit.nets.filter((net) => net.protocol === 'i2c');

function capacitanceSum(net: Net): string {
  return net.capacitanceTerms.map(({ label, farads }) => `${formatQuantity(farads, 'F')} ${label}`).join(' + ');
}

/** Said here only where no receiver's level says it already. */
function neverThere(circuit: Circuit, net: Net, edge: Edge | undefined): Result[] {
  const rest = lowestRest(net);
  const asked = net.ends.flatMap(({ levels: { inputHigh }, power }) =>
    inputHigh && power.voltage ? [levelVolts(inputHigh, 'max', power.voltage.max - power.drop)] : [],
  );
  if (!rest || !edge || edge.rest >= edge.high || asked.some((volts) => rest.volts < volts)) return [];
  return [
    result(circuit, weak, {
      subjects: [net.id],
      severity: 'fault',
      measured: edge.rest,
      limit: edge.high,
      unit: 'V',
      margin: edge.rest - edge.high,
      message: `${net.label} may come no higher than ${formatQuantity(edge.rest, 'V', 3)}; it has no rise time, since ${formatQuantity(edge.high, 'V', 3)} are never passed.`,
      meaning: 'What holds the line down while nobody talks is stronger than what pulls it up.',
      workings: [
        { name: 'by its resistors alone', sum: rest.sum, value: rest.volts, unit: 'V' },
        {
          name: 'with what leaks, and the diodes of its pins',
          sum: 'on the whole network',
          value: edge.rest,
          unit: 'V',
        },
        { name: 'needed', sum: '70 % of the bus, or what a receiver asks for', value: edge.high, unit: 'V' },
      ],
      rests: fittedRests(net),
    }),
  ];
}

export const busPullUpWeak: Check = {
  meta: weak,
  run: (circuit) =>
    i2cNets(circuit).flatMap((net): Result[] => {
      const rp = effectivePullUp(net);
      const mode = modeOf(net);
      if (!rp || !mode) return [];
      const joined = isJoined(circuit, net);
      const whole = joined || pullsToSeveralRails(net) || net.ends.some(({ leakage }) => leakage > 0);
      const alone = riseTime(rp.max, net.capacitance);
      const edge = whole ? slowestEdge(circuit, net) : undefined;
      const rise = whole ? (edge?.seconds ?? null) : alone;
      // A line that never gets there has no rise time: level/high says how high it comes, and what is asked.
      if (rise === null) return neverThere(circuit, net, edge);
      const margin = mode.riseTime - rise;
      const most = pullUpMax(mode.riseTime, net.capacitance);
      const rpText = formatQuantity(rp.max, 'Ω');
      const text = `${formatQuantity(rise, 's')} of ${formatQuantity(mode.riseTime, 's')} allowed in ${mode.name} mode`;
      return [
        result(circuit, weak, {
          subjects: [net.id],
          severity: margin < 0 ? 'fault' : null,
          measured: rise,
          limit: mode.riseTime,
          unit: 's',
          margin,
          assumed: net.ends.some(({ part }) => isLeadAssumed(circuit, part)),
          message:
            margin < 0
              ? `${net.label} takes ${text} to rise with ${rpText}. The pull-up may be ${formatQuantity(most, 'Ω')} at most.`
              : `${net.label} rises within ${text}.`,
          meaning:
            'A line that rises too slowly is still low when the clock samples it: bits are lost, first on a warm day or with one more part.',
          workings: [
            { name: 'pull-up, at its largest', sum: pullUpSum(net, 'max'), value: rp.max, unit: 'Ω' },
            { name: 'capacitance', sum: capacitanceSum(net), value: net.capacitance, unit: 'F' },
            {
              name: joined ? 'rise time of this side alone' : 'rise time',
              sum: `0.8473 × ${rpText} × ${formatQuantity(net.capacitance, 'F')}`,
              value: alone,
              unit: 's',
            },
            ...(whole
              ? [
                  {
                    name: joined ? 'rise time with the other side' : 'rise time on the whole network',
                    sum: `from 30 to 70 % of its supply${joined ? ', through the transistor between the sides' : ''}, every pin leaking its most, the slowest of all ends of the figures`,
                    value: rise,
                    unit: 's',
                  },
                ]
              : []),
            {
              name: 'largest pull-up',
              sum: `${formatQuantity(mode.riseTime, 's')} ÷ (0.8473 × ${formatQuantity(net.capacitance, 'F')})`,
              value: most,
              unit: 'Ω',
            },
          ],
          rests: fittedRests(net),
        }),
      ];
    }),
};

const strong: CheckMeta = {
  id: 'bus/pull-up-strong',
  title: 'Every sink can hold the line low',
  station: 'bus',
  rule: 'Rp ≥ (VDD − VOL) ÷ IOL of the weakest sink: 0.4 V at what the cards say, 3 mA where one is silent at any clock; on a bus of 2 V or less 0.2 × VDD at 2 mA. Rp is the parallel value of every pull-up, those behind channels of a bus switch that are on included; with several rails VDD is their common open voltage.',
  source: BUS_TIMING_SOURCE,
  standard: true,
  breaks: 'fault',
};

/** What one sink has to hold: the line itself, and those that a channel of a bus switch joins with it, at its strongest. */
function heldWith(circuit: Circuit, net: Net): Net {
  if (net.beyond !== null) return net;
  const states = linesOf(circuit, net).map(({ nets }) => nets.filter(({ beyond }) => beyond === null));
  return states
    .filter(({ length }) => length > 1)
    .map((nets): Net => ({
      ...net,
      pullUps: nets.flatMap(({ pullUps }) => pullUps),
      weak: nets.find(({ weak: own }) => own)?.weak ?? null,
      ends: nets.flatMap(({ ends }) => ends),
    }))
    .reduce((a, b) => ((effectivePullUp(b)?.min ?? Infinity) < (effectivePullUp(a)?.min ?? Infinity) ? b : a), net);
}

export const busPullUpStrong: Check = {
  meta: strong,
  run: (circuit) =>
    i2cNets(circuit).flatMap((own): Result[] => {
      const net = heldWith(circuit, own);
      const rp = effectivePullUp(net);
      const open = highestRest(net);
      if (!rp || !open) return [];
      const sink = weakestSink(net, open.volts);
      const limit = pullUpMin(open.volts, sink.volts, sink.amps);
      const margin = rp.min - limit;
      const rpText = formatQuantity(rp.min, 'Ω');
      const limitText = formatQuantity(limit, 'Ω');
      return [
        result(circuit, strong, {
          subjects: [net.id],
          severity: margin < 0 ? 'fault' : null,
          measured: rp.min,
          limit,
          unit: 'Ω',
          margin,
          message:
            margin < 0
              ? `The pull-ups on ${net.label} make ${rpText}; ${sink.label} can hold low no less than ${limitText}. The low level is not guaranteed.`
              : `The pull-ups on ${net.label} make ${rpText}; ${limitText} would be the strongest.`,
          meaning:
            'With too strong a pull-up the low level stays too high to be read, and the part works above its rating.',
          workings: [
            { name: 'pull-up, at its smallest', sum: pullUpSum(net, 'min'), value: rp.min, unit: 'Ω' },
            { name: 'open voltage', sum: open.sum, value: open.volts, unit: 'V' },
            { name: 'weakest sink', sum: sink.label, value: sink.amps, unit: 'A' },
            {
              name: 'strongest pull-up',
              sum: `(${formatQuantity(open.volts, 'V', 4)} − ${formatQuantity(sink.volts, 'V')}) ÷ ${formatQuantity(sink.amps, 'A')}`,
              value: limit,
              unit: 'Ω',
            },
          ],
          rests: [...fittedRests(net), sink.source ? [sink.card, sink.source] : null],
        }),
      ];
    }),
};
