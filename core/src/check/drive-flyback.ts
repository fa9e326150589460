import { legsIn } from '../plan/helpers.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { DIODE_DROP } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { add, divide, multiply } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface DriveFlybackSays {
  readonly nothingSwitchesNeedsDriver: { part: Text };
  readonly meaning: null;
  readonly diodeKeeps: null;
  readonly smallCoilKeeps: null;
  readonly whenSwitchedOffStands: { diode: Text; driverNode: Text; measured: Quantity; part: Text; limit: Quantity };
  readonly hasNoDiodeWhen: { part: Text; driverNode: Text; measured: Quantity; limit: Quantity };
  readonly coilKeepsCurrentFlowing: null;
  readonly supplyHighest: null;
  readonly diode: null;
  readonly stands: { driverNode: Text };
}

const tell = tells<DriveFlybackSays>('drive/flyback');

const meta = {
  id: 'drive/flyback',
  station: 'pins',
  breaks: 'danger',
  scope: 'part',
  reads: ['driver/switchOff', 'driver/voltage', 'ports/*/inductance'],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V');

function judge(circuit: Circuit, part: PartNode): Result[] {
  return part.card.ports.flatMap((port): Result[] => {
    if (port.protocol !== 'coil') return [];
    const driverNode = circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '');
    // What a contact does is for drive/contact to say.
    if (driverNode?.card.contact) return [];
    const driver = driverNode?.card.driver;
    const supply = part.card.supplies[0];
    const feed = supply && circuit.feeds.get(keyOf(part.id, supply.id));
    const subjects = [keyOf(part.id, port.id)];
    if (!driver || !driverNode || !supply) {
      return [
        result(circuit, meta, {
          subjects,
          severity: 'fault',
          message: tell('nothingSwitchesNeedsDriver', { part: part.label }),
          meaning: tell('meaning'),
        }),
      ];
    }
    if (!port.inductance) return [];
    const helper = legsIn(circuit.plan, 'coil-diode').some((leg) => leg.part === part.id);
    const diode = helper || driver.diodeFitted;
    const volts = feed?.voltage?.max ?? toInterval(supply.range).max;
    const amps = toInterval(supply.current.active).max;
    const seconds = toInterval(driver.switchOff).min;
    const henries = toInterval(port.inductance).max;
    const spike = (henries * amps) / seconds;
    const measured = diode ? volts + DIODE_DROP : volts + spike;
    const limit = toInterval(driver.voltage).max;
    const margin = limit - measured;
    return [
      result(circuit, meta, {
        subjects,
        severity: margin < 0 ? 'danger' : null,
        measured,
        limit,
        unit: 'V',
        margin,
        message:
          margin >= 0
            ? tell('whenSwitchedOffStands', {
                diode: diode ? tell('diodeKeeps') : tell('smallCoilKeeps'),
                driverNode: driverNode.label,
                measured: V(measured),
                part: part.label,
                limit: V(limit),
              })
            : tell('hasNoDiodeWhen', {
                part: part.label,
                driverNode: driverNode.label,
                measured: V(measured),
                limit: V(limit),
              }),
        meaning: tell('coilKeepsCurrentFlowing'),
        workings: [
          { name: tell('supplyHighest'), sum: feed?.rail ?? '', value: volts, unit: 'V' },
          diode
            ? { name: tell('diode'), sum: add(V(volts), V(DIODE_DROP)), value: measured, unit: 'V' }
            : {
                name: term('withoutDiode'),
                sum: add(
                  V(volts),
                  divide(multiply(quantityOf(henries, 'H'), quantityOf(amps, 'A')), quantityOf(seconds, 's')),
                ),
                value: measured,
                unit: 'V',
              },
          { name: tell('stands', { driverNode: driverNode.label }), sum: term('ofItsCard'), value: limit, unit: 'V' },
        ],
        rests: [
          [part.card.id, port.inductance.source],
          [driverNode.card.id, driver.voltage.source],
        ],
      }),
    ];
  });
}

export const driveFlyback = {
  meta,
  ...overParts(judge),
} satisfies Check;
