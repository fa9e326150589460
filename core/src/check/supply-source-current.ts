import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { loadRests, railLoad } from './rail-load.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/source-current',
  title: 'The source carries the whole build',
  station: 'power',
  rule: 'All rails referred to the source - linear regulators pass the current on, switching ones the power - are at most its limit × the derating. A port of a computer gives 100 mA until it is asked for more.',
  source: 'the cards; USB 2.0 §7.2.1: 100 mA before configuration, 500 mA after (from memory)',
  breaks: 'fault',
};

const A = (x: number) => formatQuantity(x, 'A');

/** What flows all the time flows before the port was asked, too. */
function beforeAsking(circuit: Circuit, rail: Rail): Result[] {
  const { port } = rail.offer;
  if (!port || rail.loads.length === 0) return [];
  const limit = toInterval(port.before).min;
  const margin = limit - rail.most;
  return [
    result(circuit, meta, {
      subjects: [rail.ref, 'before'],
      severity: margin < 0 ? 'note' : null,
      measured: rail.most,
      limit,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? `The build takes ${A(rail.most)} on the average; ${rail.label} gives ${A(limit)} until it was asked for more. A strict port switches off.`
          : `The build takes ${A(rail.most)} on the average, which ${rail.label} gives unasked (${A(limit)}).`,
      meaning: 'A board asks the port when it starts; a cable without data lines, or a hub, may never be asked.',
      workings: [
        ...rail.loads.map((load) => ({ name: load.label, sum: 'average at its most', value: load.most, unit: 'A' })),
        { name: 'before it was asked', sum: 'from the card', value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', port.before.source], ...loadRests(circuit, rail)],
    }),
  ];
}

export const supplySourceCurrent: Check = {
  meta,
  run: (circuit) =>
    [...circuit.rails.values()]
      .filter((rail) => !rail.offer.from && !rail.pin)
      .flatMap((rail) => [
        ...railLoad(
          circuit,
          meta,
          rail,
          'It switches off, or its voltage sinks.',
          'Everything hangs on the source: when it gives in, the whole build restarts.',
        ),
        ...beforeAsking(circuit, rail),
      ]),
};
