/** What a program is told of the pins and buses of a plan. */
import { programPins } from '../../bench/program-pins.ts';
import { peripheralOf } from '../../card/protocol.ts';
import type { BusNode, Circuit, PinWish } from '../../circuit/model.ts';
import { commonFrequency, pwmLines, spreadInstances } from '../../circuit/pin-units.ts';
import type { Setting, SettingGroup } from './setting.ts';

/** As the board prints it. */
const printed = (circuit: Circuit, terminal: string): string =>
  circuit.controller?.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal;

/** The frequency of each PWM line: the lowest that suits every line on its counter, Hz. */
function frequencies(circuit: Circuit): Map<string, number> {
  const found = new Map<string, number>();
  for (const { group, lines } of pwmLines(circuit)) {
    const common = commonFrequency(
      group,
      lines.map(({ wish }) => wish),
    );
    if (common && common.min <= common.max) for (const { wish } of lines) found.set(wish.id, common.min);
  }
  return found;
}

/** Each line that has a pin, in the order of the plan. */
export function lineSettings(circuit: Circuit): SettingGroup[] {
  const own = frequencies(circuit);
  const rests = new Map(programPins(circuit).map(({ terminal, rests: level }) => [terminal, level]));
  const told = (wish: PinWish & { pin: string }): Setting[] => {
    const rest = rests.get(wish.pin);
    const frequency = own.get(wish.id) ?? (wish.ask === 'pwm' ? wish.frequency?.min : undefined);
    return [
      { id: 'pin', value: printed(circuit, wish.pin) },
      // The level at which an output moves, heats, lights and sounds nothing.
      ...(rest ? [{ id: 'rest' as const, value: rest === 'high' ? 1 : 0 }] : []),
      ...(wish.weakPull ? [{ id: 'pullUp' as const, value: true }] : []),
      ...(wish.ask === 'irq' ? [{ id: 'everyEdge' as const, value: true }] : []),
      ...(frequency === undefined ? [] : [{ id: 'frequency' as const, value: frequency, unit: 'Hz' }]),
    ];
  };
  return circuit.wishes
    .filter((wish): wish is PinWish & { pin: string } => wish.pin !== null)
    .map((wish) => ({
      kind: 'pin',
      id: wish.id,
      label: wish.label,
      is: null,
      settings: told(wish),
      conversions: [],
    }));
}

/** The setting of the system's driver where the pin that is wired is not its default. */
function driverOf(circuit: Circuit, bus: BusNode): Setting[] {
  const wired = circuit.wishes.find(({ of, line }) => of === bus.id && line === 'data')?.pin ?? null;
  const overlay = circuit.controller?.card.controller?.overlays?.find(({ protocol }) => protocol === bus.protocol);
  if (!overlay || wired === null || wired === overlay.pin) return [];
  return [{ id: 'driver', of: overlay.parameter, value: printed(circuit, wired) }];
}

/** Switches and channels on the way to a segment. */
function behind(circuit: Circuit, bus: BusNode): Setting[] {
  if (!bus.behind) return [];
  const { part, channel } = bus.behind;
  const port = circuit.parts.get(part)?.card.busSwitch?.port;
  const address = circuit.buses
    .flatMap(({ members }) => members)
    .find((member) => member.part === part && member.port === port)?.address;
  return [
    ...(address === null || address === undefined ? [] : [{ id: 'behind' as const, value: address }]),
    { id: 'channel', value: channel },
    { id: 'channelByte', value: 1 << channel },
  ];
}

/** Every bus with parts on it; its number is its place in the plan. */
export function busSettings(circuit: Circuit): SettingGroup[] {
  const { given } = spreadInstances(circuit);
  return circuit.buses.flatMap((bus, n): SettingGroup[] => {
    if (bus.members.length === 0) return [];
    const wishes = circuit.wishes.filter(({ of }) => of === bus.id);
    const group = wishes.find((wish) => wish.group !== null)?.group;
    const unit = given.get(group ?? '');
    const settings: Setting[] = [
      { id: 'bus', value: n },
      ...(unit !== undefined && peripheralOf(unit) !== '' ? [{ id: 'unit' as const, value: unit }] : []),
      ...(bus.clock === null ? [] : [{ id: 'clock' as const, value: bus.clock, unit: 'Hz' }]),
      ...(bus.behind === null && bus.protocol !== 'spi'
        ? [{ id: 'ownPulls' as const, value: wishes.some(({ weakPull }) => weakPull) }]
        : []),
      ...behind(circuit, bus),
      ...driverOf(circuit, bus),
    ];
    return [{ kind: 'bus', id: bus.id, label: bus.name, is: null, settings, conversions: [] }];
  });
}
