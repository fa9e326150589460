import type { Circuit, Rail } from '../circuit/circuit.ts';
import { restCurrent } from '../physics/rest-current.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/sleep',
  title: 'Asleep, no resistor takes more than the parts',
  station: 'power',
  rule: 'On cells, while the controller sleeps: what flows in resistors and dividers all the time is at most half of what the build takes at rest.',
  source: 'Ohm’s law; half of it is common practice',
  breaks: 'caution',
};

/** A, less than this is a year’s worth of self-discharge. */
const WORTH = 10e-6;

function judge(circuit: Circuit, rail: Rail): Result[] {
  const asleep = circuit.controller !== null && circuit.rhythms.get(circuit.controller.id)?.rest === 'sleep';
  if (!rail.offer.cells || !asleep) return [];
  const small = [...circuit.rails.values()]
    .filter(({ source, switches }) => source === rail.source && switches.length === 0)
    .flatMap(({ loads }) => loads.filter(({ kind, typical }) => kind === 'small' && typical > 0));
  const amps = small.reduce((sum, { typical }) => sum + typical, 0);
  const rest = restCurrent(circuit, rail);
  if (amps <= 0 || rest <= 0) return [];
  const limit = Math.max(WORTH, rest / 2);
  const [largest] = small.toSorted((a, b) => b.typical - a.typical);
  const A = (x: number) => formatQuantity(x, 'A', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref, 'asleep'],
      severity: amps > limit ? 'caution' : null,
      measured: amps,
      limit,
      unit: 'A',
      margin: limit - amps,
      ranked: false,
      message:
        amps > limit
          ? `While everything sleeps ${A(amps)} of ${A(rest)} flow in resistors, most of it in ${largest?.label}. Feed it from a pin or a switch that is on only while it is read, or take larger ones.`
          : `While everything sleeps ${A(amps)} of ${A(rest)} flow in resistors.`,
      meaning: 'A chip that sleeps at microamperes beside a resistor that never does.',
      workings: small.map(({ label, sum, typical }) => ({ name: label, sum, value: typical, unit: 'A' })),
    }),
  ];
}

export const supplySleep: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
