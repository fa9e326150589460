/** What flows out of and into each pin of the controller at its worst. */
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net } from '../circuit/model.ts';
import { pinGrounds } from '../circuit/pin-ground.ts';
import { quantityOf, tells, type Sum, type Text } from '../quantity/message.ts';
import { divide, subtract } from '../quantity/sum.ts';
import { keyOf } from '../plan/ref.ts';
import { netsBy } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsPinCurrentsSays {
  readonly peakReturned: null;
}

const tell = tells<PhysicsPinCurrentsSays>('physics/pin-currents');

interface PinTerm {
  readonly label: Text;
  readonly sum: Sum;
  readonly amps: number;
}

export interface PinCurrent {
  /** Terminal of the pin. */
  readonly pin: string;
  readonly label: Text;
  /** A, the larger of what it gives while high and what it takes while low. */
  readonly amps: number;
  readonly terms: readonly PinTerm[];
  /** True where a light hangs on it. */
  readonly light: boolean;
}

const V = (x: number) => quantityOf(x, 'V');
const R = (x: number) => quantityOf(x, 'Ω');

/** Nets on a pin's line on both sides of its translators: a low goes through them. */
const sides = (circuit: Circuit, net: Net): readonly Net[] => netsBy(circuit, 'trunk', net.trunk);

/** What a light takes through its resistors, A; null without a light or without a resistor. */
function lightTerm(circuit: Circuit, net: Net, high: number): PinTerm | null {
  const light = net.ends.find(({ kind }) => kind === 'led');
  const forward = circuit.parts.get(light?.part ?? '')?.card.ports.find(({ protocol }) => protocol === 'led')?.forward;
  const ohms = net.series.reduce((sum, { ohms: r }) => sum + r, 0) * (1 - circuit.tolerance);
  if (!light || !forward || ohms === 0) return null;
  const drop = toInterval(forward.voltage).min;
  return {
    label: light.label,
    sum: divide(subtract(V(high), V(drop)), R(ohms)),
    amps: Math.max(0, (high - drop) / ohms),
  };
}

/** What the base of a bare transistor takes through its resistor, A; null without one. */
function baseTerm(circuit: Circuit, net: Net, high: number): PinTerm | null {
  const end = net.ends.find(({ part, controller }) => !controller && circuit.parts.get(part)?.card.driver?.bipolar);
  const bipolar = circuit.parts.get(end?.part ?? '')?.card.driver?.bipolar;
  const ohms = net.series.reduce((sum, { ohms: r }) => sum + r, 0) * (1 - circuit.tolerance);
  if (!end || !bipolar || ohms === 0) return null;
  const base = toInterval(bipolar.base).min;
  return {
    label: end.label,
    sum: divide(subtract(V(high), V(base)), R(ohms)),
    amps: Math.max(0, (high - base) / ohms),
  };
}

/** Pins with something on them that takes current, in the order of the nets. */
export function pinCurrents(circuit: Circuit): PinCurrent[] {
  return [...fedByPins(circuit), ...groundedByPins(circuit), ...circuit.nets.flatMap((net) => onNet(circuit, net))];
}

/** Pins that feed a part. */
const fedByPins = (circuit: Circuit): PinCurrent[] =>
  [...circuit.rails.values()]
    .filter(({ pin, peak }) => pin && peak > 0)
    .map((rail) => ({
      pin: rail.offer.terminal,
      label: rail.label,
      amps: rail.peak,
      terms: rail.loads.map(({ label, sum, peak }) => ({ label, sum, amps: peak })),
      light: false,
    }));

/** Pins that are the ground of a part. */
function groundedByPins(circuit: Circuit): PinCurrent[] {
  const all = pinGrounds(circuit.parts, circuit.controller);
  return [...new Set(all.map(({ pin }) => pin))].map((pin) => {
    const on = all.filter((ground) => ground.pin === pin);
    const terms = on.flatMap(({ part }) =>
      part.card.supplies.map(({ id }) => ({
        label: part.label,
        sum: tell('peakReturned'),
        amps: circuit.feeds.get(keyOf(part.id, id))?.peak ?? 0,
      })),
    );
    const amps = terms.reduce((sum, term) => sum + term.amps, 0);
    return { pin, label: on[0]?.label ?? pin, amps, terms, light: false };
  });
}

function onNet(circuit: Circuit, net: Net): PinCurrent[] {
  const end = net.ends.find((e) => e.controller);
  const high = end?.power.voltage?.max;
  if (!end || high === undefined || end.kind === 'input') return [];
  const taken = sides(circuit, net).flatMap(({ pullUps }) =>
    pullUps.flatMap(({ voltage, ohms, label }) =>
      voltage ? [{ label, sum: divide(V(voltage.max), R(ohms.min)), amps: voltage.max / ohms.min }] : [],
    ),
  );
  const light = lightTerm(circuit, net, high);
  const given =
    end.kind === 'open-drain'
      ? []
      : net.pullDowns.map(({ ohms, label }): PinTerm => ({
          label,
          sum: divide(V(high), R(ohms.min)),
          amps: high / ohms.min,
        }));
  if (light) given.push(light);
  const base = baseTerm(circuit, net, high);
  if (base) given.push(base);
  const total = (terms: readonly PinTerm[]) => terms.reduce((sum, { amps }) => sum + amps, 0);
  const terms = total(given) >= total(taken) ? given : taken;
  if (terms.length === 0) return [];
  return [{ pin: end.terminal, label: end.label, amps: total(terms), terms, light: light !== null }];
}
