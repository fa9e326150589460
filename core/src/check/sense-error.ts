/** What a reading may be off by: the datasheet's error over the wanted range, drift over the life, and the way to the counts. */
import type { Card } from '../card/card.ts';
import type { Measure } from '../card/measure.ts';
import { analogChain, type Chain, type Front } from '../physics/analog-chain.ts';
import type { SenseNeed } from '../plan/plan.ts';

export interface ErrorSum {
  readonly error: number;
  readonly drift: number;
  /** Error, drift and the analog chain, all at their worst together. */
  readonly total: number;
  /** Root of the sum of their squares. */
  readonly rss: number;
  readonly worst: Measure['accuracy'][number];
  readonly chain: Chain | null;
}

export type Wanted = Pick<SenseNeed, 'from' | 'to'>;

/** The lowest stretch of the wanted range for which no accuracy is stated; null when all of it is covered. */
export function unstated(measure: Measure, wanted: Wanted): Wanted | null {
  let reached = wanted.from;
  for (const band of [...measure.accuracy].sort((a, b) => a.from - b.from)) {
    if (band.from > reached || reached >= wanted.to) break;
    reached = Math.max(reached, band.to);
  }
  if (reached >= wanted.to) return null;
  const next = Math.min(wanted.to, ...measure.accuracy.map(({ from }) => from).filter((from) => from > reached));
  return { from: reached, to: next };
}

/**
 * The worst error inside the wanted range, the drift over the life, and the analog chain's error where there is one.
 * @param years planned life
 * @returns null when some of the wanted range has no stated accuracy
 */
export function errorOver(card: Card, measure: Measure, wanted: Wanted, years: number, front?: Front): ErrorSum | null {
  if (unstated(measure, wanted)) return null;
  const worst = worstBand(measure, wanted);
  if (!worst) return null;
  const drift = (measure.driftPerYear?.value ?? 0) * years;
  const chain = front ? analogChain(card, measure, wanted, front) : null;
  return {
    error: worst.error,
    drift,
    total: worst.error + drift + (chain?.worst ?? 0),
    rss: Math.hypot(worst.error, drift, chain?.rss ?? 0),
    worst,
    chain,
  };
}

/** Of the bands that hold from one reading to another, or at one, the tightest. */
export const tightestBand = (measure: Measure, from: number, to = from): Measure['accuracy'][number] | null =>
  measure.accuracy
    .filter((band) => band.from <= from && band.to >= to)
    .reduce<Measure['accuracy'][number] | null>((best, band) => (best && best.error <= band.error ? best : band), null);

/**
 * The band that decides inside the wanted range. Where bands overlap the tightest holds: a sheet that says ±2.5 from 20
 * to 80 and ±4.5 from 0 to 100 says ±2.5 at 50.
 */
function worstBand(measure: Measure, wanted: Wanted): Measure['accuracy'][number] | null {
  const ends = [wanted.from, wanted.to, ...measure.accuracy.flatMap(({ from, to }) => [from, to])]
    .filter((end) => end >= wanted.from && end <= wanted.to)
    .sort((a, b) => a - b);
  let worst: Measure['accuracy'][number] | null = null;
  for (const [i, to] of ends.entries()) {
    const from = ends[i - 1];
    if (from === undefined || from === to) continue;
    const tightest = tightestBand(measure, from, to);
    if (tightest && (!worst || tightest.error > worst.error)) worst = tightest;
  }
  return worst;
}

/** How far a measure reaches beyond a need on its tighter side; negative when it does not cover it. */
export function rangeMargin(measure: Measure, wanted: Wanted): { margin: number; measured: number; limit: number } {
  const low = wanted.from - measure.range.from;
  const high = measure.range.to - wanted.to;
  return high < low
    ? { margin: high, measured: measure.range.to, limit: wanted.to }
    : { margin: low, measured: measure.range.from, limit: wanted.from };
}

export const measureFor = (card: Card, need: Pick<SenseNeed, 'quantity' | 'unit'>): Measure | undefined =>
  card.measures.find(({ quantity, unit }) => quantity === need.quantity && unit === need.unit);

/** The shortest time between two readings that a measure allows, s; 0 when the card says nothing. */
export function shortestInterval(measure: Measure): {
  seconds: number;
  by: 'interval' | 'conversion' | null;
  source: string | null;
} {
  const least = (f: Measure['interval']) => f?.max ?? f?.typ ?? f?.min ?? 0;
  const [interval, conversion] = [least(measure.interval), least(measure.conversion)];
  if (interval === 0 && conversion === 0) return { seconds: 0, by: null, source: null };
  return interval >= conversion
    ? { seconds: interval, by: 'interval', source: measure.interval?.source ?? null }
    : { seconds: conversion, by: 'conversion', source: measure.conversion?.source ?? null };
}
