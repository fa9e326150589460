import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { loadRests, railLoad } from './rail-load.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { term } from './terms.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplySourceCurrentSays {
  readonly broken: { most: Quantity; rail: Text; limit: Quantity };
  readonly holds: { most: Quantity; rail: Text; limit: Quantity };
  readonly meaning: null;
  readonly averageMost: null;
  readonly beforeWasAsked: null;
  readonly switchesOffOrVoltage: null;
  readonly everythingHangsSourceWhen: null;
}

const tell = tells<SupplySourceCurrentSays>('supply/source-current');

const meta = {
  id: 'supply/source-current',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  answeredBy: 'current',
  reads: [
    'rails/*/limit',
    'rails/*/ownLoad/active',
    'rails/*/ownLoad/idle',
    'rails/*/ownLoad/peak',
    'rails/*/ownLoad/stages/*/current',
    'rails/*/port/before',
    'supplies/*/current/active',
    'supplies/*/current/busy',
    'supplies/*/current/clocks/*/active',
    'supplies/*/current/peak',
    'supplies/*/current/stages/*/current',
    'supplies/*/current/stages/*/time',
  ],
} as const satisfies CheckMeta;

const A = (x: number) => quantityOf(x, 'A');

/** What flows all the time flows before the port was asked, too. */
function beforeAsking(circuit: Circuit, rail: Rail): Result[] {
  const { port } = rail.offer;
  if (!port || rail.loads.length === 0) return [];
  const limit = toInterval(port.before).min;
  const margin = limit - rail.most;
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      aspect: 'before',
      severity: margin < 0 ? 'note' : null,
      measured: rail.most,
      limit,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? tell('broken', { most: A(rail.most), rail: rail.label, limit: A(limit) })
          : tell('holds', { most: A(rail.most), rail: rail.label, limit: A(limit) }),
      meaning: tell('meaning'),
      workings: [
        ...rail.loads.map((load) => ({ name: load.label, sum: tell('averageMost'), value: load.most, unit: 'A' })),
        { name: tell('beforeWasAsked'), sum: term('fromCard'), value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', port.before.source], ...loadRests(circuit, rail)],
    }),
  ];
}

export const supplySourceCurrent = {
  meta,
  ...overRails((circuit, rail) =>
    rail.offer.from || rail.pin
      ? []
      : [
          ...railLoad(circuit, meta, rail, tell('switchesOffOrVoltage'), tell('everythingHangsSourceWhen')),
          ...beforeAsking(circuit, rail),
        ],
  ),
} satisfies Check;
