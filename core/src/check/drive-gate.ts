import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, NetEnd } from '../circuit/circuit.ts';
import { levelVolts } from '../circuit/level.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'drive/gate',
  title: 'The gate is driven as its resistance is stated',
  station: 'pins',
  rule: 'VOH of the pin at its lowest is at least the gate voltage at which the transistor’s resistance is stated.',
  source: 'the cards',
  breaks: 'fault',
};

function judge(circuit: Circuit, net: Net, gate: NetEnd): Result[] {
  const part = circuit.parts.get(gate.part);
  const figure = part?.card.driver?.gate;
  const driver = net.ends.find((end) => end !== gate && end.levels.outputHigh && end.kind !== 'input');
  const supply = driver?.power.voltage;
  if (!part || !figure || !driver?.levels.outputHigh || !supply) return [];
  const given = levelVolts(driver.levels.outputHigh, 'min', supply.min - driver.power.drop);
  const limit = toInterval(figure).max;
  const margin = given - limit;
  const V = (x: number) => formatQuantity(x, 'V', 3);
  return [
    result(circuit, meta, {
      subjects: [part.id, net.id],
      severity: margin < -1e-9 ? 'fault' : null,
      measured: given,
      limit,
      unit: 'V',
      margin,
      message:
        margin < -1e-9
          ? `${driver.label} gives the gate of ${part.label} ${V(given)}; its resistance is stated at ${V(limit)}. It is half on and gets hot.`
          : `${driver.label} gives the gate of ${part.label} ${V(given)}; its resistance is stated at ${V(limit)}.`,
      meaning: 'A transistor for 10 V at the gate switches a light on the table and burns under the real load.',
      workings: [
        { name: 'at the gate', sum: `of ${driver.label}, at its lowest`, value: given, unit: 'V' },
        { name: 'stated at', sum: 'from the card', value: limit, unit: 'V' },
      ],
      rests: [
        [part.card.id, figure.source],
        [driver.card, driver.levels.outputHigh.source],
      ],
    }),
  ];
}

export const driveGate: Check = {
  meta,
  run: (circuit) =>
    circuit.nets.flatMap((net) => net.ends.flatMap((end) => (end.controller ? [] : judge(circuit, net, end)))),
};
