import type { Circuit, Rail } from '../circuit/model.ts';
import { restCurrent } from '../physics/rest-current.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplySleepSays {
  readonly whileEverythingSleepsFlow: { amps: Quantity; rest: Quantity; largest: Text };
  readonly holds: { amps: Quantity; rest: Quantity };
  readonly meaning: null;
}

const tell = tells<SupplySleepSays>('supply/sleep');

const meta = {
  id: 'supply/sleep',
  station: 'power',
  breaks: 'caution',
  scope: 'plan',
  reads: ['rails/*/ownLoad/sleep', 'supplies/*/current/sleep'],
} as const satisfies CheckMeta;

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
  const A = (x: number) => quantityOf(x, 'A', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      aspect: 'asleep',
      severity: amps > limit ? 'caution' : null,
      measured: amps,
      limit,
      unit: 'A',
      margin: limit - amps,
      ranked: false,
      message:
        amps > limit
          ? tell('whileEverythingSleepsFlow', { amps: A(amps), rest: A(rest), largest: largest?.label ?? '' })
          : tell('holds', { amps: A(amps), rest: A(rest) }),
      meaning: tell('meaning'),
      workings: small.map(({ label, sum, typical }) => ({ name: label, sum, value: typical, unit: 'A' })),
    }),
  ];
}

export const supplySleep = {
  meta,
  ...overRails(judge),
} satisfies Check;
