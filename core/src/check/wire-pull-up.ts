import type { Circuit, Net } from '../circuit/circuit.ts';
import { allPullUps, effectivePullUp, highestRest, pullUpSum } from '../physics/node.ts';
import { weakestSink } from '../physics/sink.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { pullUpMin } from '../standard/bus-timing.ts';
import { ONE_WIRE_SOURCE } from '../standard/one-wire.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'wire/pull-up',
  title: 'A one-wire line has one effective pull-up',
  station: 'bus',
  rule: 'Rp ≥ (VDD − 0.4 V) ÷ 4 mA, Rp being the parallel value of all pull-ups on the line; more than one is a caution.',
  source: ONE_WIRE_SOURCE,
  breaks: 'fault',
};

function judge(circuit: Circuit, net: Net): Result[] {
  const rp = effectivePullUp(net);
  const open = highestRest(net);
  if (net.protocol !== 'onewire' || !rp || !open) return [];
  const sink = weakestSink(net, open.volts);
  const limit = pullUpMin(open.volts, sink.volts, sink.amps);
  const margin = rp.min - limit;
  const count = allPullUps(net).length;
  const severity = margin < 0 ? 'fault' : count > 1 ? 'caution' : null;
  const value = formatQuantity(rp.typ, 'Ω');
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
          ? `The pull-ups on ${net.label} make ${value}; a sensor can hold low no less than ${formatQuantity(limit, 'Ω')}.`
          : count > 1
            ? `${count} pull-ups on ${net.label} make ${value} together. One for the whole line is meant; each further sensor would lower it again.`
            : `One pull-up of ${value} on ${net.label}.`,
      meaning: 'The resistor belongs to the line, not to the sensor. Each further one works in parallel.',
      workings: [
        { name: 'pull-up, usual', sum: pullUpSum(net, 'typ'), value: rp.typ, unit: 'Ω' },
        { name: 'pull-up, at its smallest', sum: pullUpSum(net, 'min'), value: rp.min, unit: 'Ω' },
        {
          name: 'strongest pull-up',
          sum: `(${formatQuantity(open.volts, 'V', 4)} − ${formatQuantity(sink.volts, 'V')}) ÷ ${formatQuantity(sink.amps, 'A')}`,
          value: limit,
          unit: 'Ω',
        },
      ],
      rests: net.pullUps.map(({ figure }) => (figure ? [figure.card, figure.source] : null)),
    }),
  ];
}

export const wirePullUp: Check = { meta, run: (circuit) => circuit.nets.flatMap((net) => judge(circuit, net)) };
