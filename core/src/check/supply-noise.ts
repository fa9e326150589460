import { legsIn } from '../plan/helpers.ts';
import type { Circuit, PartNode, Rail } from '../circuit/model.ts';
import { MOTOR_CAPACITOR } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyNoiseSays {
  readonly broken: { motor: Text; rail: Text; read: readonly Text[]; motorcapacitor: Quantity };
  readonly holds: { farads: Quantity; motor: Text; rail: Text };
  readonly meaning: null;
  readonly across: null;
  readonly capacitorsPlan: null;
}

const tell = tells<SupplyNoiseSays>('supply/noise');

const meta = {
  id: 'supply/noise',
  station: 'power',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

const isCoil = ({ card }: PartNode): boolean => card.ports.some(({ protocol }) => protocol === 'coil');
const isRead = ({ card, choice }: PartNode): boolean =>
  card.measures.some(({ analog }) => analog) && (choice?.needs.length ?? 0) > 0;

function judge(circuit: Circuit, rail: Rail): Result[] {
  const on = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref);
  const parts = on.flatMap(({ part }) => circuit.parts.get(part) ?? []);
  const read = parts.filter(isRead);
  if (read.length === 0) return [];
  return parts.filter(isCoil).map((motor) => {
    const farads = legsIn(circuit.plan, 'supply-capacitor')
      .filter((leg) => leg.part === motor.id)
      .reduce((sum, leg) => sum + leg.farads, 0);
    const margin = farads - MOTOR_CAPACITOR;
    return result(circuit, meta, {
      subjects: [motor.id, rail.ref, ...read.map(({ id }) => id)],
      keyed: [motor.id, rail.ref],
      severity: margin < 0 ? 'caution' : null,
      measured: farads,
      limit: MOTOR_CAPACITOR,
      unit: 'F',
      margin,
      ranked: false,
      message:
        margin < 0
          ? tell('broken', {
              motor: motor.label,
              rail: rail.label,
              read: read.map(({ label }) => label),
              motorcapacitor: quantityOf(MOTOR_CAPACITOR, 'F'),
            })
          : tell('holds', { farads: quantityOf(farads, 'F'), motor: motor.label, rail: rail.label }),
      meaning: tell('meaning'),
      workings: [{ name: tell('across'), sum: tell('capacitorsPlan'), value: farads, unit: 'F' }],
    });
  });
}

export const supplyNoise = {
  meta,
  ...overRails(judge),
} satisfies Check;
