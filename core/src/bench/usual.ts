/** The usual figures of cards as the elements of a network: what a typical piece of each part is like. */
import type { Card } from '../card/card.ts';
import type { Controller } from '../card/controller.ts';
import type { Port } from '../card/port.ts';
import type { RailOffer } from '../card/power.ts';
import type { Signal, Supply } from '../card/card-shape.ts';
import type { Measure } from '../card/measure.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { levelVolts } from '../circuit/level.ts';
import { THERMAL_VOLTAGE, type DiodeModel, type TransistorModel } from '../physics/network.ts';
import { resistanceAt } from '../physics/resistive.ts';
import { SINK_VOLTAGE } from '../standard/bus-timing.ts';
import {
  BODY_DIODE,
  PASS_OVERDRIVE,
  PASS_RESISTANCE,
  PASS_THRESHOLD,
  PROTECTION_DIODE,
  SINK_RESISTANCE,
  TYPICAL_THRESHOLD,
  USUAL_ROOM,
} from '../standard/common-practice.ts';
import { keyOf } from '../plan/ref.ts';

/** Input of a meter on a voltage range, Ω. */
export const METER_INPUT = 10e6;

export type Electrical = Pick<
  Controller['io'],
  | 'outputHigh'
  | 'outputLow'
  | 'sinkCurrent'
  | 'inputHigh'
  | 'inputLow'
  | 'absoluteMax'
  | 'outputResistance'
  | 'leakage'
  | 'capacitance'
>;

type AnyFigure = Parameters<typeof toInterval>[0];
export const usual = (figure: AnyFigure): number => toInterval(figure).typ;

/** What an open-drain end adds to its line when it pulls low, Ω. */
export const sinkOhms = ({ sinkCurrent }: Electrical): number =>
  sinkCurrent ? SINK_VOLTAGE / usual(sinkCurrent) / 2 : SINK_RESISTANCE;

/** What a driven output adds, Ω: what its card says, or as much as it sinks. */
export const driveOhms = (e: Electrical): number => (e.outputResistance ? usual(e.outputResistance) : sinkOhms(e));

/** Voltage at which an input changes its mind, V above its own ground. */
export function thresholdOf({ inputHigh, inputLow }: Electrical, supply: number): number {
  const high = inputHigh && levelVolts(inputHigh, 'min', supply);
  const low = inputLow && levelVolts(inputLow, 'max', supply);
  return high !== undefined && low !== undefined ? (high + low) / 2 : TYPICAL_THRESHOLD * supply;
}

/** Ω behind a source or a regulator's output: small, so that its voltage hardly moves. */
export const sourceOhms = (offer: RailOffer): number => (offer.cells ? usual(offer.cells.resistance) : 0.02);

/**
 * What a supply of a part looks like under power, Ω: its usual voltage over what it draws, at work for the controller and for
 * what only works when something switches it, waiting for all others. Null when it draws nothing.
 */
export function supplyOhms(circuit: Circuit, part: PartNode, supply: Supply): number | null {
  const volts = circuit.feeds.get(keyOf(part.id, supply.id))?.voltage?.typ ?? usual(supply.range);
  const switched = part.card.ports.some(({ protocol }) => protocol === 'coil');
  const { idle, active } = supply.current;
  const amps = usual(switched || part.card.controller || !idle ? active : idle);
  return amps > 0 && volts > 0 ? volts / amps : null;
}

/** The bounds of what a part may draw in any of its states, A. */
export function drawBounds(supply: Pick<Supply, 'current'>): { least: number; most: number } {
  const { sleep, idle, active, peak, warmUp } = supply.current;
  const all = [sleep, idle, active, peak, warmUp].flatMap((f) => (f ? [toInterval(f)] : []));
  return { least: Math.min(...all.map(({ min }) => min)), most: Math.max(...all.map(({ max }) => max)) };
}

/** The model of a junction that carries so much before the resistance inside it counts, A. */
const upTo = (model: DiodeModel, amps: number): DiodeModel => ({
  ...model,
  straightFrom: Math.log(amps / model.saturation),
});
/** A protection diode of a chip, and the body of a power transistor or a rectifier. */
export const CHIP_DIODE = upTo(PROTECTION_DIODE, 0.02);
export const POWER_DIODE = upTo(BODY_DIODE, 1);

/** A light: the junction that drops the stated voltage at the stated current. */
export function lightModel({ voltage, current }: NonNullable<Port['forward']>): DiodeModel {
  const emission = 2;
  const saturation = usual(current) / 2 / Math.exp(usual(voltage) / (emission * THERMAL_VOLTAGE));
  return upTo({ emission, saturation }, usual(current));
}

const gainOf = (ohms: number): number => 1 / (ohms * PASS_OVERDRIVE);

export function passModel({ pass }: NonNullable<Card['translator']>): TransistorModel {
  return {
    threshold: pass ? usual(pass.threshold) : PASS_THRESHOLD.typ,
    gain: gainOf(pass ? usual(pass.onResistance) : PASS_RESISTANCE),
  };
}

/** A low-side switch: on well before a 3.3 V output is at its top. */
export function driverModel({ onResistance }: NonNullable<Card['driver']>): TransistorModel {
  const threshold = 1.2;
  return { threshold, gain: 1 / ((onResistance ? usual(onResistance) : 1) * (3.3 - threshold)) };
}

/** What a sensor usually shows on the bench: the middle of what is wanted of it, or a room. */
function usualReading(measure: Measure, circuit: Circuit, part: PartNode): number {
  const need = circuit.plan.needs.find(
    (n) => n.kind === 'sense' && n.quantity === measure.quantity && part.choice?.needs.includes(n.id),
  );
  if (need?.kind === 'sense') return (need.from + need.to) / 2;
  const { from, to } = measure.range;
  return measure.unit === '°C' ? Math.min(Math.max(USUAL_ROOM, from), to) : (from + to) / 2;
}

/** Ω of an analog output of which nothing is said: small against every converter. */
const ANALOG_OHMS = 1000;

/** An analog output divides its own supply; what reads by its resistance is a resistor to ground. */
export function analogShare(
  measure: Measure | undefined,
  signal: Signal,
  circuit: Circuit,
  part: PartNode,
): { kind: 'divides'; share: number; ohms: number } | { kind: 'resists'; ohms: number } | null {
  const transfer = measure?.analog;
  if (measure && transfer && transfer.kind !== 'linear')
    return { kind: 'resists', ohms: resistanceAt(transfer, usualReading(measure, circuit, part)) };
  if (signal.kind !== 'analog-out') return null;
  const ohms = signal.outputResistance ? usual(signal.outputResistance) : ANALOG_OHMS;
  if (!measure || transfer?.kind !== 'linear') return { kind: 'divides', share: 0.5, ohms };
  const { from, to } = measure.range;
  const at = (usualReading(measure, circuit, part) - from) / (to - from);
  const supply = circuit.feeds.get(keyOf(part.id, signal.reference ?? part.card.supplies[0]?.id))?.voltage?.typ ?? 3.3;
  const volts = levelVolts(transfer.low, 'typ', supply) * (1 - at) + levelVolts(transfer.high, 'typ', supply) * at;
  return { kind: 'divides', share: Math.min(0.999, Math.max(0.001, volts / supply)), ohms };
}
