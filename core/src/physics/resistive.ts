/** Parts whose resistance is the reading, and the fixed resistor that makes a voltage of it. */
import { toInterval } from '../card/to-interval.ts';
import type { Transfer } from '../card/measure.ts';
import { seriesBetween, type SeriesName } from '../standard/e-series.ts';
import { platinum, platinumSlope } from '../standard/platinum.ts';

export type Resistive = Exclude<Transfer, { kind: 'linear' }>;
export interface Range {
  readonly from: number;
  readonly to: number;
}

const KELVIN = 273.15;
/** Reference temperature of a thermistor's resistance, K. */
const T25 = 298.15;
/** Illuminance at which light-dependent resistors are stated, lx. */
const TEN_LUX = 10;
/** Darker than this the formula of a light-dependent resistor says nothing, lx. */
const DARK = 0.01;

/**
 * Resistance of a thermistor, Ω. Formula: R = R25 × e^(B × (1/T − 1/298.15 K)).
 * @param celsius °C
 * @example thermistor(10e3, 3950, 0) is about 33.6 kΩ
 */
export const thermistor = (r25: number, beta: number, celsius: number): number =>
  r25 * Math.exp(beta * (1 / (celsius + KELVIN) - 1 / T25));

/** Resistance at a reading, by the usual figures of the card, Ω. */
export function resistanceAt(transfer: Resistive, at: number): number {
  if (transfer.kind === 'beta') return thermistor(toInterval(transfer.r25).typ, toInterval(transfer.beta).typ, at);
  if (transfer.kind === 'platinum') return platinum(toInterval(transfer.r0).typ, at);
  return toInterval(transfer.r10).typ * (Math.max(at, DARK) / TEN_LUX) ** -toInterval(transfer.gamma).typ;
}

/** How the resistance changes with the reading, Ω per unit. */
export function resistanceSlope(transfer: Resistive, at: number): number {
  const ohms = resistanceAt(transfer, at);
  if (transfer.kind === 'beta') return (-ohms * toInterval(transfer.beta).typ) / (at + KELVIN) ** 2;
  if (transfer.kind === 'platinum') return platinumSlope(toInterval(transfer.r0).typ, at);
  return (-ohms * toInterval(transfer.gamma).typ) / Math.max(at, DARK);
}

/** Share of the rail's voltage at the pin: the fixed resistor to the rail, the part to ground. */
export const shareAt = (transfer: Resistive, ohms: number, at: number): number => {
  const r = resistanceAt(transfer, at);
  return r / (r + ohms);
};

/** How that share changes with the reading, per unit. */
export function shareSlope(transfer: Resistive, ohms: number, at: number): number {
  const r = resistanceAt(transfer, at);
  return (resistanceSlope(transfer, at) * ohms) / (r + ohms) ** 2;
}

const STEPS = 48;

/** Places over the wanted range; light is counted in decades. */
export function placesOver(transfer: Resistive, wanted: Range): number[] {
  return Array.from({ length: STEPS + 1 }, (_, i) => {
    const share = i / STEPS;
    if (transfer.kind !== 'light') return wanted.from + share * (wanted.to - wanted.from);
    const [from, to] = [Math.max(wanted.from, DARK), Math.max(wanted.to, DARK)];
    return from * (to / from) ** share;
  });
}

/**
 * The smallest slope over the wanted range as a share of the largest: 1 is a straight line.
 * Light is judged by decade, since that is how it is told apart.
 */
export function evenness(transfer: Resistive, wanted: Range, ohms: number): number {
  const slopes = placesOver(transfer, wanted).map((at) =>
    Math.abs(shareSlope(transfer, ohms, at) * (transfer.kind === 'light' ? at : 1)),
  );
  return Math.min(...slopes) / Math.max(...slopes);
}

export interface FixedResistor {
  readonly ohms: number;
  readonly evenness: number;
}

/** Evenness of the values of the series within two decades of the part's own, best first. */
export function fixedResistors(transfer: Resistive, wanted: Range, series: SeriesName): FixedResistor[] {
  const ends = [resistanceAt(transfer, wanted.from), resistanceAt(transfer, wanted.to)];
  return seriesBetween(series, Math.min(...ends) / 10, Math.max(...ends) * 10)
    .map((ohms) => ({ ohms, evenness: evenness(transfer, wanted, ohms) }))
    .sort((a, b) => b.evenness - a.evenness || a.ohms - b.ohms);
}

/** Power turned to heat in the part itself, W, and how much it warms by it, K; the warmth only where the card says. */
export function selfHeating(
  transfer: Resistive,
  wanted: Range,
  ohms: number,
  volts: number,
): { readonly watts: number; readonly kelvin: number | null; readonly at: number } {
  const all = placesOver(transfer, wanted).map((at) => {
    const r = resistanceAt(transfer, at);
    return { at, watts: (volts / (r + ohms)) ** 2 * r };
  });
  const worst = all.reduce((a, b) => (b.watts > a.watts ? b : a));
  const perKelvin = transfer.kind !== 'light' && transfer.dissipation ? toInterval(transfer.dissipation).min : null;
  return { ...worst, kelvin: perKelvin ? worst.watts / perKelvin : null };
}
