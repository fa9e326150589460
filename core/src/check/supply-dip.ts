import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { gustOf } from '../physics/gust.ts';
import { BROWN_OUT } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { divide, multiply, subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface SupplyDipSays {
  readonly acrossWouldHold: { wanted: Quantity };
  readonly leadsLoseTooMuch: null;
  readonly broken: {
    by: Text;
    gust: Quantity;
    rail: Text;
    lowest: Quantity;
    controller: Text;
    limit: Quantity;
    wanted: Text;
  };
  readonly holds: { gust: Quantity; lowest: Quantity; rail: Text; controller: Text; limit: Quantity };
  readonly meaning: null;
  readonly gust: null;
  readonly acrossRail: null;
  readonly sinks: null;
  readonly lowest: null;
  readonly startsAnewBelow: null;
  readonly assumed: { voltage: Quantity; brownout: number };
}

const tell = tells<SupplyDipSays>('supply/dip');

const meta = {
  id: 'supply/dip',
  station: 'power',
  breaks: 'caution',
  scope: 'plan',
  reads: [
    'controller/brownOut',
    'rails/*/ownLoad/peak',
    'rails/*/reserve',
    'rails/*/response',
    'supplies/*/capacitance',
    'supplies/*/current/peak',
  ],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V', 3);
const A = (x: number) => quantityOf(x, 'A', 3);

function judge(circuit: Circuit, rail: Rail): Result[] {
  const chip = circuit.controller?.card.controller;
  const gust = gustOf(circuit, rail);
  if (!circuit.controller || !chip || !rail.voltage || !gust) return [];
  const limit = chip.brownOut ? toInterval(chip.brownOut).max : rail.voltage.typ * BROWN_OUT;
  const lowest = rail.voltage.min - gust.dip;
  const margin = lowest - limit;
  const assumed = gust.assumed || !chip.brownOut;
  const wanted = rail.voltage.min > limit ? (gust.amps * gust.seconds) / (rail.voltage.min - limit) : Infinity;
  return [
    result(circuit, meta, {
      subjects: [circuit.controller.id, rail.ref],
      severity: margin >= 0 ? null : assumed ? 'caution' : 'fault',
      measured: lowest,
      limit,
      unit: 'V',
      margin,
      assumed,
      message:
        margin < 0
          ? tell('broken', {
              by: gust.by,
              gust: A(gust.amps),
              rail: rail.label,
              lowest: V(lowest),
              controller: circuit.controller.label,
              limit: V(limit),
              wanted: Number.isFinite(wanted)
                ? tell('acrossWouldHold', { wanted: quantityOf(wanted, 'F', 2) })
                : tell('leadsLoseTooMuch'),
            })
          : tell('holds', {
              gust: A(gust.amps),
              lowest: V(lowest),
              rail: rail.label,
              controller: circuit.controller.label,
              limit: V(limit),
            }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('gust'), sum: gust.sum, value: gust.amps, unit: 'A' },
        { name: tell('acrossRail'), sum: gust.reserve, value: gust.farads, unit: 'F' },
        {
          name: tell('sinks'),
          sum: divide(multiply(A(gust.amps), quantityOf(gust.seconds, 's')), quantityOf(gust.farads, 'F', 3)),
          value: gust.dip,
          unit: 'V',
        },
        { name: tell('lowest'), sum: subtract(V(rail.voltage.min), V(gust.dip)), value: lowest, unit: 'V' },
        {
          name: tell('startsAnewBelow'),
          sum: chip.brownOut
            ? term('ofItsCard')
            : tell('assumed', { voltage: V(rail.voltage.typ), brownout: BROWN_OUT }),
          value: limit,
          unit: 'V',
        },
      ],
      rests: [[circuit.controller.card.id, chip.brownOut?.source]],
    }),
  ];
}

export const supplyDip = {
  meta,
  run: (circuit) => {
    const reference = circuit.controller?.card.controller?.io.reference;
    const own = circuit.rails.get(keyOf(circuit.controller?.id, reference));
    const fed = circuit.rails.get(circuit.feeds.get(keyOf(circuit.controller?.id, reference))?.rail ?? '');
    const rail = own ?? fed;
    return rail ? judge(circuit, rail) : [];
  },
} satisfies Check;
