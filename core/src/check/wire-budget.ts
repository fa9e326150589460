import { toInterval } from '../card/to-interval.ts';
import type { BusNode, Circuit, Net } from '../circuit/circuit.ts';
import { levelVolts } from '../circuit/level.ts';
import { allPullUps, effectivePullUp } from '../physics/node.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import {
  CONVERT_BITS,
  MOST_BITS,
  oneWireConversion,
  ONE_WIRE_LOW,
  ONE_WIRE_TIMING_SOURCE,
  READING_BITS,
  recovery,
  RESET_TIME,
  SLOT_SAMPLE,
  SLOT_TIME,
} from '../standard/one-wire.ts';
import { LEAD_CAPACITANCE } from '../standard/practice.ts';
import { sensingNeeds } from './need-words.ts';
import { measureFor } from './sense-error.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'wire/budget',
  title: 'A one-wire line recovers, converts and feeds in time',
  station: 'bus',
  rule: 'Rp × C × ln((V − 0.4 V) ÷ (V − VIH)) ≤ 9 µs, so that a one is there when it is sampled; one conversion and the reading of every part fit into the interval; a part that lives on the line gets V − I × Rp, at least what it works at.',
  source: ONE_WIRE_TIMING_SOURCE,
  breaks: 'fault',
};

const S = (x: number) => formatQuantity(x, 's', 3);

/** The highest VIH on a net, and who asks for it. */
function hardest(net: Net): { volts: number; label: string; card: string; source: string } | null {
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
  readonly level: { volts: number; label: string; card: string; source: string };
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
  const V = (x: number) => formatQuantity(x, 'V', 3);
  const lead = formatQuantity(Math.abs(spareLead), 'm', 2);
  return [
    result(circuit, meta, {
      subjects: [net.id, 'rise'],
      severity: margin < 0 ? 'fault' : null,
      measured: never ? null : seconds,
      limit: SLOT_SAMPLE,
      unit: 's',
      margin,
      message: never
        ? `${net.label} never reaches the ${V(level.volts)} that ${level.label} needs.`
        : margin < 0
          ? `${net.label} takes ${S(seconds)} to be read as high again; it is sampled after ${S(SLOT_SAMPLE)}. ${lead} of lead less, or a smaller pull-up.`
          : `${net.label} is read as high after ${S(seconds)} of ${S(SLOT_SAMPLE)}; it would carry ${lead} of lead more.`,
      meaning: 'A one that comes too late is read as a nought: checksums fail now and then, first on the longest lead.',
      workings: [
        { name: 'pull-up, at its largest', sum: '', value: ohms, unit: 'Ω' },
        {
          name: 'capacitance',
          sum: net.capacitanceTerms.map(({ label, farads: f }) => `${formatQuantity(f, 'F')} ${label}`).join(' + '),
          value: net.capacitance,
          unit: 'F',
        },
        {
          name: 'back above the threshold',
          sum: `${formatQuantity(ohms, 'Ω')} × ${formatQuantity(net.capacitance, 'F')} × ln((${V(supply)} − ${ONE_WIRE_LOW} V) ÷ (${V(supply)} − ${V(level.volts)}))`,
          value: never ? 0 : seconds,
          unit: 's',
        },
        { name: 'it would carry', sum: `${S(SLOT_SAMPLE)} of it`, value: never ? 0 : farads, unit: 'F' },
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
      conversion = Math.max(conversion, figure?.max ?? figure?.typ ?? oneWireConversion(MOST_BITS));
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
      subjects: [bus.id, 'round'],
      severity: margin < 0 ? 'fault' : null,
      measured: total,
      limit: interval,
      unit: 's',
      margin,
      message:
        margin < 0
          ? `Converting and reading ${bus.name} takes ${S(total)}; a reading every ${S(interval)} is wanted.`
          : `Converting and reading ${bus.name} takes ${S(total)} of the ${S(interval)} between readings.`,
      meaning:
        'All parts convert at once, then each is read. What does not fit comes late, or holds the reading before.',
      workings: [
        { name: 'start all', sum: `reset + ${CONVERT_BITS} × ${S(SLOT_TIME)}`, value: start, unit: 's' },
        { name: 'conversion', sum: 'the longest of the cards', value: conversion, unit: 's' },
        {
          name: 'read each',
          sum: `${bus.members.length} × (reset + ${READING_BITS} × ${S(SLOT_TIME)})`,
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
  const V = (x: number) => formatQuantity(x, 'V', 3);
  const A = formatQuantity(amps, 'A', 2);
  return [
    result(circuit, meta, {
      subjects: [net.id, 'parasite'],
      severity: margin < 0 ? 'fault' : null,
      measured: volts,
      limit: least,
      unit: 'V',
      margin,
      message:
        margin < 0
          ? `While they convert, ${living.map(({ part }) => part.label).join(' and ')} draw ${A} through the pull-up of ${net.label}: ${V(volts)} is left, ${V(least)} is needed.`
          : `${living.map(({ part }) => part.label).join(' and ')} live on ${net.label}: ${V(volts)} is left while they convert.`,
      meaning:
        'A part that lives on its data line starves while it converts and answers with its start-up value, 85 °C.',
      workings: [
        { name: 'all converting', sum: `${living.length} of them`, value: amps, unit: 'A' },
        {
          name: 'left on the line',
          sum: `${V(supply)} − ${A} × ${formatQuantity(rp.max, 'Ω')}`,
          value: volts,
          unit: 'V',
        },
      ],
      rests: living.map(({ part, figures }) => [part.card.id, figures.current.source]),
    }),
  ];
}

export const wireBudget: Check = {
  meta,
  run: (circuit) => [
    ...circuit.nets
      .filter(({ protocol }) => protocol === 'onewire')
      .flatMap((net) => [...rise(circuit, net), ...fed(circuit, net)]),
    ...circuit.buses.filter(({ protocol }) => protocol === 'onewire').flatMap((bus) => round(circuit, bus)),
  ],
};
