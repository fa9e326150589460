import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { DIODE_DROP } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'drive/flyback',
  title: 'Every coil has its diode',
  station: 'pins',
  rule: 'A diode stands across every switched coil: the switch then sees supply + 1 V. Without one it sees L × I ÷ t at switch-off, against what it stands.',
  source: 'V = L × dI/dt; the diode’s drop is common practice',
  breaks: 'danger',
};

const V = (x: number) => formatQuantity(x, 'V');

function judge(circuit: Circuit, part: PartNode): Result[] {
  return part.card.ports.flatMap((port): Result[] => {
    if (port.protocol !== 'coil') return [];
    const driverNode = circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '');
    // What a contact does is for drive/contact to say.
    if (driverNode?.card.contact) return [];
    const driver = driverNode?.card.driver;
    const supply = part.card.supplies[0];
    const feed = supply && circuit.feeds.get(`${part.id}.${supply.id}`);
    const subjects = [`${part.id}.${port.id}`];
    if (!driver || !driverNode || !supply) {
      return [
        result(circuit, meta, {
          subjects,
          severity: 'fault',
          message: `Nothing switches ${part.label}; it needs a driver or the contact of a relay, no pin can carry it.`,
          meaning: 'A pin gives a few milliamperes; a fan or relay takes ten times that.',
        }),
      ];
    }
    if (!port.inductance) return [];
    const helper = circuit.plan.helpers.some((h) => h.kind === 'diode' && h.part === part.id);
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
            ? `${diode ? 'The diode keeps' : 'The small coil keeps'} ${driverNode.label} at ${V(measured)} when ${part.label} is switched off; it stands ${V(limit)}.`
            : `${part.label} has no diode; when it is switched off, its coil drives ${driverNode.label} towards ${V(measured)}. It stands ${V(limit)} and can be destroyed.`,
        meaning:
          'A coil keeps its current flowing. Without a diode as a way round, the voltage rises until something gives.',
        workings: [
          { name: 'supply, at its highest', sum: feed?.rail ?? '', value: volts, unit: 'V' },
          diode
            ? { name: 'with the diode', sum: `${V(volts)} + ${V(DIODE_DROP)}`, value: measured, unit: 'V' }
            : {
                name: 'without a diode',
                sum: `${V(volts)} + ${formatQuantity(henries, 'H')} × ${formatQuantity(amps, 'A')} ÷ ${formatQuantity(seconds, 's')}`,
                value: measured,
                unit: 'V',
              },
          { name: `${driverNode.label} stands`, sum: 'from its card', value: limit, unit: 'V' },
        ],
        rests: [
          [part.card.id, port.inductance.source],
          [driverNode.card.id, driver.voltage.source],
        ],
      }),
    ];
  });
}

export const driveFlyback: Check = {
  meta,
  run: (circuit) => [...circuit.parts.values()].flatMap((part) => judge(circuit, part)),
};
