import { toInterval } from '../card/to-interval.ts';
import type { BusNode, Circuit, Net } from '../circuit/model.ts';
import { levelVolts } from '../circuit/level.ts';
import { allPullUps, effectivePullUp } from '../physics/node.ts';
import {
  CONVERT_BITS,
  MAX_BITS,
  oneWireConversion,
  ONE_WIRE_LOW,
  READING_BITS,
  recovery,
  RESET_TIME,
  SLOT_SAMPLE,
  SLOT_TIME,
} from '../standard/one-wire.ts';
import { LEAD_CAPACITANCE } from '../standard/common-practice.ts';
import { sensingNeeds } from './need-words.ts';
import { measureFor } from './sense-error.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { multiply, subtract, add, noted } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { both, overBuses, overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface WireBudgetSays {
  readonly never: { net: Text; level: Quantity; reader: Text };
  readonly broken: { net: Text; seconds: Quantity; slotsample: Quantity; lead: Quantity };
  readonly holds: { net: Text; seconds: Quantity; slotsample: Quantity; lead: Quantity };
  readonly meaning: null;
  readonly backAboveThreshold: null;
  readonly lnV: { ohms: Quantity; capacitance: Quantity; supply: Quantity; onewirelow: number; level: Quantity };
  readonly wouldCarry: null;
  readonly ofIt: { slotsample: Quantity };
  readonly convertingReadingTakesReading: { bus: Text; total: Quantity; interval: Quantity };
  readonly convertingReadingTakesBetween: { bus: Text; total: Quantity; interval: Quantity };
  readonly allPartsConvertOnce: null;
  readonly startAll: null;
  readonly reset: { convertbits: number; slottime: Quantity };
  readonly conversion: null;
  readonly longestCards: null;
  readonly readEach: null;
  readonly resets: { count: number; readingbits: number; slottime: Quantity };
  readonly whileTheyConvertDraw: { living: readonly Text[]; a: Quantity; net: Text; volts: Quantity; least: Quantity };
  readonly liveLeftWhileThey: { living: readonly Text[]; net: Text; volts: Quantity };
  readonly partLivesDataLine: null;
  readonly allConverting: null;
  readonly them: { count: number };
  readonly leftLine: null;
}

const tell = tells<WireBudgetSays>('wire/budget');

const meta = {
  id: 'wire/budget',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: [
    'controller/io/capacitance',
    'controller/io/inputHigh',
    'measures/*/coarser/*/conversion',
    'measures/*/conversion',
    'ports/*/parasite/current',
    'ports/*/parasite/least',
    'signals/*/capacitance',
    'signals/*/inputHigh',
  ],
} as const satisfies CheckMeta;

const S = (x: number) => quantityOf(x, 's', 3);

/** The highest VIH on a net, and who asks for it. */
function hardest(net: Net): { volts: number; label: Text; card: string; source: string } | null {
  const all = net.ends.flatMap((end) => {
    const level = end.levels.inputHigh;
    const supply = end.power.voltage;
    return level && supply
      ? [{ volts: levelVolts(level, 'max', supply.max), label: end.label, card: end.card, source: level.source }]
      : [];
  });
  return all.length === 0 ? null : all.reduce((a, b) => (b.volts > a.volts ? b : a));
}

export interface WireLimit {
  /** s until the line is read as high again. */
  readonly seconds: number;
  /** F that would just be in time. */
  readonly farads: number;
  /** m of lead more (or less) that the line carries. */
  readonly spareLead: number;
  readonly supply: number;
  readonly level: { volts: number; label: Text; card: string; source: string };
  readonly ohms: number;
}

/** How long a one-wire line takes to be high again, and how much lead it would carry. */
export function wireLimit(net: Net): WireLimit | null {
  const rp = effectivePullUp(net);
  const level = hardest(net);
  const supplies = allPullUps(net).map(({ voltage }) => voltage.min);
  if (net.protocol !== 'onewire' || !rp || !level || supplies.length === 0) return null;
  const supply = Math.min(...supplies);
  const seconds = recovery(rp.max, net.capacitance, supply, ONE_WIRE_LOW, level.volts);
  const farads = SLOT_SAMPLE / recovery(rp.max, 1, supply, ONE_WIRE_LOW, level.volts);
  return { seconds, farads, spareLead: (farads - net.capacitance) / LEAD_CAPACITANCE, supply, level, ohms: rp.max };
}

function rise(circuit: Circuit, net: Net): Result[] {
  const limit = wireLimit(net);
  if (!limit) return [];
  const { seconds, farads, spareLead, supply, level, ohms } = limit;
  const never = !Number.isFinite(seconds);
  const margin = never ? -SLOT_SAMPLE : SLOT_SAMPLE - seconds;
  const V = (x: number) => quantityOf(x, 'V', 3);
  const lead = quantityOf(Math.abs(spareLead), 'm', 2);
  return [
    result(circuit, meta, {
      subjects: [net.id],
      aspect: 'rise',
      severity: margin < 0 ? 'fault' : null,
      measured: never ? null : seconds,
      limit: SLOT_SAMPLE,
      unit: 's',
      margin,
      message: never
        ? tell('never', { net: net.label, level: V(level.volts), reader: level.label })
        : margin < 0
          ? tell('broken', { net: net.label, seconds: S(seconds), slotsample: S(SLOT_SAMPLE), lead })
          : tell('holds', { net: net.label, seconds: S(seconds), slotsample: S(SLOT_SAMPLE), lead }),
      meaning: tell('meaning'),
      workings: [
        { name: term('pullUpLargest'), sum: '', value: ohms, unit: 'Ω' },
        {
          name: term('capacitance'),
          sum: add(...net.capacitanceTerms.map(({ label, farads: f }) => noted(quantityOf(f, 'F'), label))),
          value: net.capacitance,
          unit: 'F',
        },
        {
          name: tell('backAboveThreshold'),
          sum: tell('lnV', {
            ohms: quantityOf(ohms, 'Ω'),
            capacitance: quantityOf(net.capacitance, 'F'),
            supply: V(supply),
            onewirelow: ONE_WIRE_LOW,
            level: V(level.volts),
          }),
          value: never ? 0 : seconds,
          unit: 's',
        },
        {
          name: tell('wouldCarry'),
          sum: tell('ofIt', { slotsample: S(SLOT_SAMPLE) }),
          value: never ? 0 : farads,
          unit: 'F',
        },
      ],
      rests: [[level.card, level.source]],
    }),
  ];
}

function round(circuit: Circuit, bus: BusNode): Result[] {
  const rests: [string, string | undefined][] = [];
  let conversion = 0;
  let interval = Infinity;
  for (const { part } of bus.members) {
    const node = circuit.parts.get(part);
    for (const need of sensingNeeds(circuit, part)) {
      const figure = node && measureFor(node.card, need)?.conversion;
      interval = Math.min(interval, need.interval);
      // Where a card says nothing, the longest of its class.
      conversion = Math.max(conversion, figure?.max ?? figure?.typ ?? oneWireConversion(MAX_BITS));
      if (node && figure) rests.push([node.card.id, figure.source]);
    }
  }
  if (!Number.isFinite(interval) || bus.members.length === 0) return [];
  const start = RESET_TIME + CONVERT_BITS * SLOT_TIME;
  const each = RESET_TIME + READING_BITS * SLOT_TIME;
  const total = start + conversion + bus.members.length * each;
  const margin = interval - total;
  return [
    result(circuit, meta, {
      subjects: [bus.id],
      aspect: 'round',
      severity: margin < 0 ? 'fault' : null,
      measured: total,
      limit: interval,
      unit: 's',
      margin,
      message:
        margin < 0
          ? tell('convertingReadingTakesReading', { bus: bus.name, total: S(total), interval: S(interval) })
          : tell('convertingReadingTakesBetween', { bus: bus.name, total: S(total), interval: S(interval) }),
      meaning: tell('allPartsConvertOnce'),
      workings: [
        {
          name: tell('startAll'),
          sum: tell('reset', { convertbits: CONVERT_BITS, slottime: S(SLOT_TIME) }),
          value: start,
          unit: 's',
        },
        { name: tell('conversion'), sum: tell('longestCards'), value: conversion, unit: 's' },
        {
          name: tell('readEach'),
          sum: tell('resets', { count: bus.members.length, readingbits: READING_BITS, slottime: S(SLOT_TIME) }),
          value: bus.members.length * each,
          unit: 's',
        },
      ],
      rests,
    }),
  ];
}

/** Parts that live on their data line. */
function fed(circuit: Circuit, net: Net): Result[] {
  const rp = effectivePullUp(net);
  const supply = Math.min(...allPullUps(net).map(({ voltage }) => voltage.min));
  const living = net.ends.flatMap((end) => {
    const part = circuit.parts.get(end.part);
    const port = part?.card.ports.find(({ lines }) => Object.values(lines).includes(end.signal));
    return part && port?.parasite && part.choice?.ports[port.id]?.parasite ? [{ part, figures: port.parasite }] : [];
  });
  if (!rp || living.length === 0) return [];
  const amps = living.reduce((sum, { figures }) => sum + toInterval(figures.current).max, 0);
  const least = Math.max(...living.map(({ figures }) => toInterval(figures.least).max));
  const volts = supply - amps * rp.max;
  const margin = volts - least;
  const V = (x: number) => quantityOf(x, 'V', 3);
  const A = quantityOf(amps, 'A', 2);
  return [
    result(circuit, meta, {
      subjects: [net.id],
      aspect: 'parasite',
      severity: margin < 0 ? 'fault' : null,
      measured: volts,
      limit: least,
      unit: 'V',
      margin,
      message:
        margin < 0
          ? tell('whileTheyConvertDraw', {
              living: living.map(({ part }) => part.label),
              a: A,
              net: net.label,
              volts: V(volts),
              least: V(least),
            })
          : tell('liveLeftWhileThey', {
              living: living.map(({ part }) => part.label),
              net: net.label,
              volts: V(volts),
            }),
      meaning: tell('partLivesDataLine'),
      workings: [
        { name: tell('allConverting'), sum: tell('them', { count: living.length }), value: amps, unit: 'A' },
        {
          name: tell('leftLine'),
          sum: subtract(V(supply), multiply(A, quantityOf(rp.max, 'Ω'))),
          value: volts,
          unit: 'V',
        },
      ],
      rests: living.map(({ part, figures }) => [part.card.id, figures.current.source]),
    }),
  ];
}

export const wireBudget = {
  meta,
  ...both(
    overNets((circuit, net) => (net.protocol === 'onewire' ? [...rise(circuit, net), ...fed(circuit, net)] : [])),
    overBuses((circuit, bus) => (bus.protocol === 'onewire' ? round(circuit, bus) : [])),
  ),
} satisfies Check;
