import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/model.ts';
import { JUMPER_GAUGE } from '../standard/common-practice.ts';
import { fusingCurrent } from '../standard/wire-gauge.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { divide } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyFuseSays {
  readonly broken: { label: Text; amps: Quantity; gauge: number; limit: Quantity };
  readonly shortedGivesLeadGauge: { label: Text; amps: Quantity; gauge: number; limit: Quantity };
  readonly holds: { label: Text; fuse: Quantity; gauge: number; limit: Quantity };
  readonly meaning: null;
  readonly shortCircuit: null;
  readonly opens: null;
  readonly melts: null;
  readonly dGauge: { gauge: number };
}

const tell = tells<SupplyFuseSays>('supply/fuse');

const meta = {
  id: 'supply/fuse',
  station: 'power',
  breaks: 'caution',
  scope: 'plan',
  reads: ['rails/*/cells/fuse', 'rails/*/cells/resistance'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, rail: Rail): Result[] {
  const { cells } = rail.offer;
  const fed = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref);
  const volts = rail.voltage?.max;
  if (!cells || fed.length === 0 || volts === undefined) return [];
  const ohms = toInterval(cells.resistance).min;
  const amps = volts / ohms;
  const gauge = Math.max(JUMPER_GAUGE, ...fed.map(({ lead }) => lead.gauge));
  const limit = fusingCurrent(gauge);
  const fuse = cells.fuse && toInterval(cells.fuse).max;
  const label = circuit.parts.get(rail.part)?.label ?? rail.part;
  const A = (x: number) => quantityOf(x, 'A', 3);
  const open = fuse === undefined ? amps : Math.min(amps, fuse);
  const margin = limit - open;
  return [
    result(circuit, meta, {
      subjects: [rail.ref],
      aspect: 'short',
      severity: margin < 0 ? 'caution' : null,
      measured: open,
      limit,
      unit: 'A',
      margin,
      ranked: false,
      message:
        margin < 0
          ? tell('broken', { label, amps: A(amps), gauge, limit: A(limit) })
          : fuse === undefined
            ? tell('shortedGivesLeadGauge', { label, amps: A(amps), gauge, limit: A(limit) })
            : tell('holds', { label, fuse: A(fuse), gauge, limit: A(limit) }),
      meaning: tell('meaning'),
      workings: [
        {
          name: tell('shortCircuit'),
          sum: divide(quantityOf(volts, 'V', 3), quantityOf(ohms, 'Ω', 3)),
          value: amps,
          unit: 'A',
        },
        ...(fuse === undefined ? [] : [{ name: tell('opens'), sum: term('fromCard'), value: fuse, unit: 'A' }]),
        { name: tell('melts'), sum: tell('dGauge', { gauge }), value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', cells.resistance.source]],
    }),
  ];
}

export const supplyFuse = {
  meta,
  ...overRails(judge),
} satisfies Check;
