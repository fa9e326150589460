import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, NetEnd } from '../circuit/model.ts';
import { levelVolts } from '../circuit/level.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { term } from './terms.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface DriveGateSays {
  readonly broken: { driver: Text; part: Text; given: Quantity; limit: Quantity };
  readonly holds: { driver: Text; part: Text; given: Quantity; limit: Quantity };
  readonly meaning: null;
  readonly gate: null;
  readonly lowest: { driver: Text };
  readonly stated: null;
}

const tell = tells<DriveGateSays>('drive/gate');

const meta = {
  id: 'drive/gate',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: ['controller/io/outputHigh', 'driver/gate'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, net: Net, gate: NetEnd): Result[] {
  const part = circuit.parts.get(gate.part);
  const figure = part?.card.driver?.gate;
  const driver = net.ends.find((end) => end !== gate && end.levels.outputHigh && end.kind !== 'input');
  const supply = driver?.power.voltage;
  if (!part || !figure || !driver?.levels.outputHigh || !supply) return [];
  const given = levelVolts(driver.levels.outputHigh, 'min', supply.min - driver.power.drop);
  const limit = toInterval(figure).max;
  const margin = given - limit;
  const V = (x: number) => quantityOf(x, 'V', 3);
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
          ? tell('broken', { driver: driver.label, part: part.label, given: V(given), limit: V(limit) })
          : tell('holds', { driver: driver.label, part: part.label, given: V(given), limit: V(limit) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('gate'), sum: tell('lowest', { driver: driver.label }), value: given, unit: 'V' },
        { name: tell('stated'), sum: term('fromCard'), value: limit, unit: 'V' },
      ],
      rests: [
        [part.card.id, figure.source],
        [driver.card, driver.levels.outputHigh.source],
      ],
    }),
  ];
}

export const driveGate = {
  meta,
  ...overNets((circuit, net) => net.ends.flatMap((end) => (end.controller ? [] : judge(circuit, net, end)))),
} satisfies Check;
