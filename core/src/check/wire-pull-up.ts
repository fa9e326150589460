import type { Circuit, Net } from '../circuit/model.ts';
import { allPullUps, effectivePullUp, highestRest, pullUpSum } from '../physics/node.ts';
import { weakestSink } from '../physics/sink.ts';
import { pullUpMin } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { divide, subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface WirePullUpSays {
  readonly broken: { net: Text; value: Quantity; limit: Quantity };
  readonly pullUpsMakeTogether: { count: number; net: Text; value: Quantity };
  readonly holds: { value: Quantity; net: Text };
  readonly meaning: null;
  readonly pullUpUsual: null;
}

const tell = tells<WirePullUpSays>('wire/pull-up');

const meta = {
  id: 'wire/pull-up',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  answeredBy: 'edge',
  reads: [],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, net: Net): Result[] {
  const rp = effectivePullUp(net);
  const open = highestRest(net);
  if (net.protocol !== 'onewire' || !rp || !open) return [];
  const sink = weakestSink(net, open.volts);
  const limit = pullUpMin(open.volts, sink.volts, sink.amps);
  const margin = rp.min - limit;
  const count = allPullUps(net).length;
  const severity = margin < 0 ? 'fault' : count > 1 ? 'caution' : null;
  const value = quantityOf(rp.typ, 'Ω');
  return [
    result(circuit, meta, {
      subjects: [net.id],
      severity,
      measured: rp.min,
      limit,
      unit: 'Ω',
      margin,
      message:
        margin < 0
          ? tell('broken', { net: net.label, value, limit: quantityOf(limit, 'Ω') })
          : count > 1
            ? tell('pullUpsMakeTogether', { count, net: net.label, value })
            : tell('holds', { value, net: net.label }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('pullUpUsual'), sum: pullUpSum(net, 'typ'), value: rp.typ, unit: 'Ω' },
        { name: term('pullUpSmallest'), sum: pullUpSum(net, 'min'), value: rp.min, unit: 'Ω' },
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
      rests: net.pullUps.map(({ figure }) => (figure ? [figure.card, figure.source] : null)),
    }),
  ];
}

export const wirePullUp = {
  meta,
  ...overNets(judge),
} satisfies Check;
