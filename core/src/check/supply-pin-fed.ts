import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/pin-fed',
  title: 'A pin that feeds a part can carry it',
  station: 'power',
  rule: 'Peak of what hangs on the pin ≤ its recommended current × the share of the house rule; beyond the absolute one is danger. Its high level under that load is the rail of the part (supply/range), and its group limit counts it (pin/current).',
  source: 'the cards; how far a pin may feed is a house rule',
  breaks: 'fault',
};

const A = (x: number) => formatQuantity(x, 'A');

function judge(circuit: Circuit, rail: Rail): Result {
  const limits = circuit.controller?.card.controller?.pinCurrent;
  const recommended = limits ? toInterval(limits.recommended).min : 0;
  const absolute = limits ? toInterval(limits.absolute).min : 0;
  const { pinPower } = circuit.plan.rules;
  const never = pinPower === 0;
  const limit = recommended * (never ? 1 : pinPower);
  const margin = limit - rail.peak;
  const names = rail.loads.map(({ label }) => label).join(', ') || 'Nothing';
  const danger = rail.peak > absolute;
  const severity = danger ? 'danger' : margin < 0 || never ? 'fault' : null;
  return result(circuit, meta, {
    subjects: [rail.ref],
    severity,
    measured: rail.peak,
    limit: danger ? absolute : never ? 0 : limit,
    unit: 'A',
    margin: danger ? absolute - rail.peak : never ? -rail.peak : margin,
    message: danger
      ? `${names} takes ${A(rail.peak)} from the ${rail.label}; ${A(absolute)} is the most it stands. It can be destroyed.`
      : margin < 0
        ? `${names} takes ${A(rail.peak)} from the ${rail.label}; ${A(limit)} may be drawn.`
        : never
          ? `${names} is fed by the ${rail.label}; the house rule is never to. ${A(rail.peak)} of ${A(recommended)} would be within its rating.`
          : `${names} takes ${A(rail.peak)} of the ${A(limit)} that the ${rail.label} may feed with.`,
    meaning:
      'A pin is a switch with a resistance: the more flows, the lower the part’s supply, and the warmer the chip.',
    workings: [
      ...rail.loads.map(({ label, peak, sum }) => ({
        name: label,
        sum: `peak; usually ${sum}`,
        value: peak,
        unit: 'A',
      })),
      {
        name: 'may be drawn',
        sum: never ? 'recommended for a pin' : `${A(recommended)} × ${pinPower}`,
        value: limit,
        unit: 'A',
      },
      {
        name: 'voltage under that load',
        sum: 'its high level, as a resistance',
        value: rail.voltage?.min ?? 0,
        unit: 'V',
      },
    ],
    rests: [
      [circuit.controller?.card.id ?? '', limits?.recommended.source],
      [circuit.controller?.card.id ?? '', limits?.absolute.source],
    ],
  });
}

export const supplyPinFed: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].filter(({ pin }) => pin).map((rail) => judge(circuit, rail)),
};
