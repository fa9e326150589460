import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { restCurrent } from '../physics/rest-current.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { term } from './terms.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyStaysOnSays {
  readonly broken: { least: Quantity; rail: Text; limit: Quantity };
  readonly holds: { least: Quantity; rail: Text; limit: Quantity };
  readonly meaning: null;
  readonly rest: null;
  readonly everythingBetweenTwoPieces: null;
  readonly staysFrom: null;
}

const tell = tells<SupplyStaysOnSays>('supply/stays-on');

const meta = {
  id: 'supply/stays-on',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: ['rails/*/staysOn'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, rail: Rail): Result[] {
  const figure = rail.offer.staysOn;
  if (!figure || rail.loads.length === 0) return [];
  const limit = toInterval(figure).max;
  const least = restCurrent(circuit, rail);
  const margin = least - limit;
  const A = (x: number) => quantityOf(x, 'A', 3);
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      severity: margin < 0 ? 'fault' : null,
      measured: least,
      limit,
      unit: 'A',
      margin,
      message:
        margin < 0
          ? tell('broken', { least: A(least), rail: rail.label, limit: A(limit) })
          : tell('holds', { least: A(least), rail: rail.label, limit: A(limit) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('rest'), sum: tell('everythingBetweenTwoPieces'), value: least, unit: 'A' },
        { name: tell('staysFrom'), sum: term('fromCard'), value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', figure.source]],
    }),
  ];
}

export const supplyStaysOn = {
  meta,
  ...overRails(judge),
} satisfies Check;
