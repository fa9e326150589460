import type { BusNode, Circuit } from '../circuit/circuit.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/release',
  title: 'On SPI only who is selected speaks',
  station: 'bus',
  rule: 'A part that goes on driving its output while it is not selected shares no bus; where several share one, each select line is held high while the controller starts.',
  source: 'the cards; common practice',
  breaks: 'fault',
};

function judge(circuit: Circuit, bus: BusNode): Result[] {
  if (bus.protocol !== 'spi' || bus.members.length < 2) return [];
  return bus.members.flatMap(({ part, port, label }): Result[] => {
    const own = circuit.parts.get(part)?.card.ports.find(({ id }) => id === port);
    const card = circuit.parts.get(part)?.card.id ?? '';
    const select = circuit.nets.find(({ of, line }) => of === `${part}.${port}` && line === 'select');
    const others = bus.members.filter((m) => m.part !== part).map((m) => m.label);
    const held = select?.pullUps.some(({ voltage }) => voltage !== null) ?? true;
    return [
      result(circuit, meta, {
        subjects: [part, bus.id],
        severity: own?.keepsDriving ? 'fault' : null,
        message: own?.keepsDriving
          ? `${label} goes on driving its output while it is not selected; ${others.join(', ')} on the same bus cannot be read. Give it a bus of its own.`
          : `${label} lets its output go while it is not selected.`,
        meaning: 'Two outputs against one another: a voltage in the middle, and heat.',
        rests: [[card, own?.keepsDriving?.source]],
      }),
      result(circuit, meta, {
        subjects: [part, bus.id, 'select'],
        severity: held ? null : 'caution',
        message: held
          ? `The select line of ${label} is high until the program takes it.`
          : `Nothing holds the select line of ${label} high while the controller starts; it may answer to what is meant for ${others.join(', ')}. 10 kΩ to its supply hold it.`,
        meaning: 'A part that is selected by chance takes part in its neighbour’s start.',
      }),
    ];
  });
}

export const busRelease: Check = { meta, run: (circuit) => circuit.buses.flatMap((bus) => judge(circuit, bus)) };
