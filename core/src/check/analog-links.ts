/** Every analog reading of a plan: the part, its measure, the net it arrives on and the converter there. */
import type { Measure } from '../card/measure.ts';
import type { Controller } from '../card/controller.ts';
import type { Circuit, Net, NetEnd, PartNode } from '../circuit/model.ts';
import { fullScaleRail, readerOf } from '../circuit/converter.ts';
import { dividerShare, outputOhms } from '../circuit/divider.ts';
import { netOf } from '../circuit/watched.ts';
import { levelVolts } from '../circuit/level.ts';
import { analogNet } from '../physics/analog-front.ts';
import { placesOver, shareAt } from '../physics/resistive.ts';
import { legsIn, type LegOf } from '../plan/helpers.ts';
import type { SenseNeed } from '../plan/plan.ts';
import { exact, type Interval } from '../quantity/interval.ts';
import { measureFor } from './sense-error.ts';
import { tells, type Text, type Sum } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';
import { overParts } from './over.ts';
import type { Result } from './result.ts';

/** What is said here, by the data that it takes. */
export interface AnalogLinksSays {
  readonly railHighest: { high: Text };
  readonly through: { passes: Text };
  readonly output: { to: number; unit: Text; through: Text };
  readonly outputHighest: { through: Text };
}

const tell = tells<AnalogLinksSays>('analog/links');

export interface AnalogLink {
  readonly part: PartNode;
  readonly net: Net;
  readonly adc: NonNullable<Controller['adc']>;
  /** The controller, or the part that reads for it. */
  readonly reader: PartNode;
  /** The most that it reads, at its lowest, V. */
  readonly most: number;
  /** What is read, and the need that it serves; null for a part that measures nothing that is wanted (a dial). */
  readonly measure: Measure | null;
  readonly need: SenseNeed | null;
  /** What stands at the pin besides the controller: the output, the middle of a divider, or the bare part. */
  readonly end: NetEnd;
  readonly divider: LegOf<'divider'> | null;
  /** Of its resistors, as a share. */
  readonly tolerance: number;
}

/** Of one part: one for each need that it serves, one where it serves none. */
function linksAt(circuit: Circuit, part: PartNode): AnalogLink[] {
  return part.card.ports.flatMap((port): AnalogLink[] => {
    if (port.protocol !== 'analog') return [];
    const net = netOf(circuit, keyOf(part.id, port.id, 'out'));
    const reader = net && readerOf(circuit, net);
    const end = net?.ends.find((e) => !e.controller && e.part !== reader?.part.id);
    if (!net || !reader || !end) return [];
    const wanted = circuit.plan.needs.flatMap((need) => {
      if (need.kind !== 'sense' || !part.choice?.needs.includes(need.id)) return [];
      const measure = measureFor(part.card, need);
      return measure?.analog && analogNet(circuit, part, measure)?.id === net.id ? [{ need, measure }] : [];
    });
    const divider = legsIn(circuit.plan, 'divider').find((leg) => leg.helper === end.part) ?? null;
    const plain = {
      part,
      net,
      adc: reader.adc,
      reader: reader.part,
      most: reader.most,
      end,
      divider,
      tolerance: circuit.tolerance,
    };
    return wanted.length === 0
      ? [{ ...plain, measure: null, need: null }]
      : wanted.map(({ need, measure }) => ({ ...plain, measure, need }));
  });
}

export const analogLinks = (circuit: Circuit): AnalogLink[] =>
  [...circuit.parts.values()].flatMap((part) => linksAt(circuit, part));

/** A check of every analog reading. */
export const overLinks = (judge: (circuit: Circuit, link: AnalogLink) => readonly Result[]) =>
  overParts((circuit, part) => linksAt(circuit, part).flatMap((link) => judge(circuit, link)));

export interface PinVoltage {
  readonly low: number;
  readonly high: number;
  readonly sum: Sum;
}

/** The end of the wanted range that is furthest up, as a share of the measure's range. */
function stretch(measure: Measure, need: SenseNeed): [number, number] {
  const { from, to } = measure.range;
  const clip = (x: number) => Math.min(1, Math.max(0, (x - from) / (to - from)));
  return [clip(need.from), clip(need.to)];
}

/** The voltages that the pin sees over the wanted range, worst case; null where nothing is known. */
export function pinVoltage(link: AnalogLink): PinVoltage | null {
  const { measure, need, end, net } = link;
  const transfer = measure?.analog;
  if (transfer && transfer.kind !== 'linear') {
    const rail = net.fixed?.voltage;
    if (!net.fixed || !rail || !need) return null;
    const { ohms } = net.fixed;
    const places = placesOver(transfer, need);
    const low = Math.min(...places.map((at) => shareAt(transfer, ohms.max, at)));
    const high = Math.max(...places.map((at) => shareAt(transfer, ohms.min, at)));
    return { low: low * rail.min, high: high * rail.max, sum: tell('railHighest', { high: high.toPrecision(3) }) };
  }
  const supply = end.power.voltage;
  if (!supply) return null;
  const passes = link.divider
    ? dividerShare(link.divider, outputOhms(link.part.card, link.divider), link.tolerance)
    : exact(1);
  const through = link.divider ? tell('through', { passes: passes.max.toPrecision(3) }) : '';
  if (transfer && need && measure) {
    const [a, b] = stretch(measure, need);
    const at = (x: number, bound: 'min' | 'max', volts: number) => {
      const [l, h] = [levelVolts(transfer.low, bound, volts), levelVolts(transfer.high, bound, volts)];
      return l + x * (h - l);
    };
    const highs = [at(a, 'max', supply.max), at(b, 'max', supply.max)];
    const lows = [at(a, 'min', supply.min), at(b, 'min', supply.min)];
    return {
      low: Math.min(...lows) * passes.min,
      high: Math.max(...highs) * passes.max,
      sum: tell('output', { to: need.to, unit: need.unit, through }),
    };
  }
  const stated = link.part.card.signals.find(({ id }) =>
    link.part.card.ports.some((p) => p.lines.out === id),
  )?.outputHigh;
  const top = stated?.max === undefined ? supply.max : Math.min(supply.max, levelVolts(stated, 'max', supply.max));
  return { low: 0, high: top * passes.max, sum: tell('outputHighest', { through }) };
}

/** The lowest that full scale may be, V. */
export const fullScale = (link: AnalogLink): number => link.most;

/** The rail that is full scale and feeds the part as well: what is a share of it moves with it. Null where they are two. */
function ownRail(circuit: Circuit, { adc, reader, end, net }: AnalogLink): Interval | null {
  const scale = fullScaleRail(circuit, { part: reader, adc });
  const fedBy = net.fixed ? circuit.rails.get(net.fixed.rail)?.root : end.power.rail;
  return scale?.voltage && fedBy === scale.root ? scale.voltage : null;
}

export interface Reach {
  readonly seen: PinVoltage;
  /** Full scale at that corner, V. */
  readonly limit: number;
}

/** The highest at the pin beside full scale, where they are nearest: each at its worst, or on one rail both at either end of it. */
export function reachOf(circuit: Circuit, link: AnalogLink): Reach | null {
  const rail = ownRail(circuit, link);
  const corners = rail
    ? [rail.min, rail.max].map((volts) => {
        const power = { ...link.end.power, voltage: exact(volts) };
        const fixed = link.net.fixed && { ...link.net.fixed, voltage: exact(volts) };
        return { link: { ...link, end: { ...link.end, power }, net: { ...link.net, fixed } }, limit: volts };
      })
    : [{ link, limit: fullScale(link) }];
  const found = corners.flatMap(({ link: at, limit }) => {
    const seen = pinVoltage(at);
    return seen ? [{ seen, limit }] : [];
  });
  return found.toSorted((a, b) => a.limit - a.seen.high - (b.limit - b.seen.high))[0] ?? null;
}

/** V at the output per unit of the measure; null for what is no straight line. */
export function slopeOf({ measure, end }: AnalogLink): number | null {
  const transfer = measure?.analog;
  const supply = end.power.voltage?.typ;
  if (!measure || transfer?.kind !== 'linear' || supply === undefined) return null;
  const [low, high] = [levelVolts(transfer.low, 'typ', supply), levelVolts(transfer.high, 'typ', supply)];
  return Math.abs(high - low) / (measure.range.to - measure.range.from) || null;
}
