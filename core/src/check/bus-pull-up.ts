import type { Circuit, Net } from '../circuit/model.ts';
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
import { modeFor, pullUpMax, pullUpMin, riseTime, type BusMode } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum, wordOf } from '../quantity/message.ts';
import { divide, multiply, subtract, add, noted } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusPullUpSays {
  readonly mayComeNoHigher: { net: Text; rest: Quantity; high: Quantity };
  readonly meaning: null;
  readonly resistorsAlone: null;
  readonly whatLeaksDiodesPins: null;
  readonly wholeNetwork: null;
  readonly busOrWhatReceiver: null;
  readonly allowedMode: { rise: Quantity; riseTime: Quantity; mode: Text };
  readonly broken: { net: Text; text: Text; rpText: Quantity; most: Quantity };
  readonly holds: { net: Text; text: Text };
  readonly lineRisesTooSlowly: null;
  readonly riseTimeThisSide: null;
  readonly riseTime: null;
  readonly riseTimeOtherSide: null;
  readonly riseTimeWholeNetwork: null;
  readonly throughTransistorBetweenSides: null;
  readonly fromSupplyEveryPin: { joined: Text };
  readonly largestPullUp: null;
  readonly pullUpsMakeCan: { net: Text; rpText: Quantity; sink: Text; limitText: Quantity };
  readonly pullUpsMakeWould: { net: Text; rpText: Quantity; limitText: Quantity };
  readonly tooStrongPullUp: null;
  readonly openVoltage: null;
  readonly weakestSink: null;
}

const tell = tells<BusPullUpSays>('bus/pull-up');

const weak = {
  id: 'bus/pull-up-weak',
  station: 'bus',
  standard: true,
  breaks: 'fault',
  scope: 'bus',
  answeredBy: 'edge',
  reads: [
    'controller/io/capacitance',
    'controller/io/leakage',
    'controller/io/weakPull',
    'controller/pins/*/fittedPullUp/value',
    'signals/*/capacitance',
    'signals/*/fittedPullUp/value',
    'signals/*/leakage',
    'translator/pass/onResistance',
    'translator/pass/threshold',
  ],
} as const satisfies CheckMeta;

/** Clock of a bus that states none: standard mode. */
const modeOf = (net: Net): BusMode | null => modeFor(net.clock ?? 100e3);
const fittedRests = (net: Net) =>
  allPullUps(net).map(({ figure }) => (figure ? ([figure.card, figure.source] as const) : null));
const overI2c = (judge: (circuit: Circuit, net: Net) => readonly Result[]) =>
  overNets((circuit, net) => (net.protocol === 'i2c' ? judge(circuit, net) : []));

function capacitanceSum(net: Net): Sum {
  return add(...net.capacitanceTerms.map(({ label, farads }) => noted(quantityOf(farads, 'F'), label)));
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
      message: tell('mayComeNoHigher', {
        net: net.label,
        rest: quantityOf(edge.rest, 'V', 3),
        high: quantityOf(edge.high, 'V', 3),
      }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('resistorsAlone'), sum: rest.sum, value: rest.volts, unit: 'V' },
        {
          name: tell('whatLeaksDiodesPins'),
          sum: tell('wholeNetwork'),
          value: edge.rest,
          unit: 'V',
        },
        { name: term('needed'), sum: tell('busOrWhatReceiver'), value: edge.high, unit: 'V' },
      ],
      rests: fittedRests(net),
    }),
  ];
}

export const busPullUpWeak = {
  meta: weak,
  ...overI2c((circuit, net): Result[] => {
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
    const rpText = quantityOf(rp.max, 'Ω');
    const text = tell('allowedMode', {
      rise: quantityOf(rise, 's'),
      riseTime: quantityOf(mode.riseTime, 's'),
      mode: wordOf('bus-mode', mode.name),
    });
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
            ? tell('broken', { net: net.label, text, rpText, most: quantityOf(most, 'Ω') })
            : tell('holds', { net: net.label, text }),
        meaning: tell('lineRisesTooSlowly'),
        workings: [
          { name: term('pullUpLargest'), sum: pullUpSum(net, 'max'), value: rp.max, unit: 'Ω' },
          { name: term('capacitance'), sum: capacitanceSum(net), value: net.capacitance, unit: 'F' },
          {
            name: joined ? tell('riseTimeThisSide') : tell('riseTime'),
            sum: multiply(multiply(0.8473, rpText), quantityOf(net.capacitance, 'F')),
            value: alone,
            unit: 's',
          },
          ...(whole
            ? [
                {
                  name: joined ? tell('riseTimeOtherSide') : tell('riseTimeWholeNetwork'),
                  sum: tell('fromSupplyEveryPin', { joined: joined ? tell('throughTransistorBetweenSides') : '' }),
                  value: rise,
                  unit: 's',
                },
              ]
            : []),
          {
            name: tell('largestPullUp'),
            sum: divide(quantityOf(mode.riseTime, 's'), multiply(0.8473, quantityOf(net.capacitance, 'F'))),
            value: most,
            unit: 'Ω',
          },
        ],
        rests: fittedRests(net),
      }),
    ];
  }),
} satisfies Check;

const strong = {
  id: 'bus/pull-up-strong',
  station: 'bus',
  standard: true,
  breaks: 'fault',
  scope: 'bus',
  reads: [
    'controller/io/sinkCurrent',
    'controller/io/weakPull',
    'controller/pins/*/fittedPullUp/value',
    'signals/*/fittedPullUp/value',
    'signals/*/sinkCurrent',
  ],
} as const satisfies CheckMeta;

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

export const busPullUpStrong = {
  meta: strong,
  ...overI2c((circuit, own): Result[] => {
    const net = heldWith(circuit, own);
    const rp = effectivePullUp(net);
    const open = highestRest(net);
    if (!rp || !open) return [];
    const sink = weakestSink(net, open.volts);
    const limit = pullUpMin(open.volts, sink.volts, sink.amps);
    const margin = rp.min - limit;
    const rpText = quantityOf(rp.min, 'Ω');
    const limitText = quantityOf(limit, 'Ω');
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
            ? tell('pullUpsMakeCan', { net: net.label, rpText, sink: sink.label, limitText })
            : tell('pullUpsMakeWould', { net: net.label, rpText, limitText }),
        meaning: tell('tooStrongPullUp'),
        workings: [
          { name: term('pullUpSmallest'), sum: pullUpSum(net, 'min'), value: rp.min, unit: 'Ω' },
          { name: tell('openVoltage'), sum: open.sum, value: open.volts, unit: 'V' },
          { name: tell('weakestSink'), sum: sink.label, value: sink.amps, unit: 'A' },
          {
            name: term('strongestPullUp'),
            sum: divide(
              subtract(quantityOf(open.volts, 'V', 4), quantityOf(sink.volts, 'V')),
              quantityOf(sink.amps, 'A'),
            ),
            value: limit,
            unit: 'Ω',
          },
        ],
        rests: [...fittedRests(net), sink.source ? [sink.card, sink.source] : null],
      }),
    ];
  }),
} satisfies Check;
