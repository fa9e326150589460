import type { Circuit, PartNode, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { MOTOR_CAPACITOR } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/noise',
  title: 'Motors and coils keep off the rail of what is read by its voltage',
  station: 'power',
  rule: 'A motor or coil and a part whose reading is a voltage do not share a rail, unless 100 µF stand across the motor.',
  source: 'common practice',
  breaks: 'caution',
};

const isCoil = ({ card }: PartNode): boolean => card.ports.some(({ protocol }) => protocol === 'coil');
const isRead = ({ card, choice }: PartNode): boolean =>
  card.measures.some(({ analog }) => analog) && (choice?.needs.length ?? 0) > 0;

function judge(circuit: Circuit, rail: Rail): Result[] {
  const on = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref);
  const parts = on.flatMap(({ part }) => circuit.parts.get(part) ?? []);
  const read = parts.filter(isRead);
  if (read.length === 0) return [];
  return parts.filter(isCoil).map((motor) => {
    const farads = circuit.plan.helpers.reduce(
      (sum, h) => (h.kind === 'capacitor' && h.part === motor.id ? sum + h.farads : sum),
      0,
    );
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
          ? `${motor.label} hangs on ${rail.label} beside ${read.map(({ label }) => label).join(', ')}, whose reading is a voltage: it jumps whenever the motor starts. Put ${formatQuantity(MOTOR_CAPACITOR, 'F')} across it, or feed it from another rail.`
          : `${formatQuantity(farads, 'F')} across ${motor.label} keep its gusts off ${rail.label}.`,
      meaning: 'A motor takes its current in gusts, and the rail with it.',
      workings: [{ name: 'across it', sum: 'capacitors of the plan', value: farads, unit: 'F' }],
    });
  });
}

export const supplyNoise: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
