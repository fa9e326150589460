/** Buses as choices: whether they are there, at which clock, and what pulls each side of them up. */
import type { Signal } from '../../card/card-shape.ts';
import type { Card } from '../../card/card.ts';
import { toInterval } from '../../card/to-interval.ts';
import type { Circuit } from '../../circuit/model.ts';
import { type HelperOf, helpersOf } from '../../plan/helpers.ts';
import { keyOf } from '../../plan/ref.ts';
import { parallel, spread } from '../../quantity/interval.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import {
  BUS_MODES,
  type BusMode,
  PIN_CAPACITANCE,
  RISE_FACTOR,
  modeFor,
  pullUpMin,
  sinkAt,
} from '../../standard/bus-timing.ts';
import { ROW_CAPACITANCE } from '../../standard/common-practice.ts';
import { seriesAtLeast } from '../../standard/e-series.ts';
import type { Draft } from '../joint/builder.ts';
import { ABSENT, CHOICE, type EncodingContext, cents, isThere } from './making.ts';
import { addressResource, optionsAt } from './placing.ts';
import { type Segment, busLines } from './segments.ts';
import type { PartOptions } from './ways.ts';

/** Hz */
const SLOWER_SPI = [400e3, 100e3];

/** Clocks that a bus can be given: its own, and the slowest mode below it. */
function clocksOf({ bus, protocol }: Segment): number[] {
  if (protocol === 'onewire' || bus.clock === undefined) return [];
  const { clock } = bus;
  // SPI has no modes: what a slower translator still follows.
  if (protocol === 'spi') return [clock, ...SLOWER_SPI.filter((hz) => hz < clock)];
  const [slowest] = BUS_MODES;
  return protocol === 'i2c' && slowest && bus.clock > slowest.clock ? [bus.clock, slowest.clock] : [bus.clock];
}

function encodeBus({ builder, newSwitch }: EncodingContext, segment: Segment): void {
  const { bus, after, behind } = segment;
  const clocks = clocksOf(segment);
  const requires: Record<string, readonly string[]> = {};
  if (after !== null) requires[CHOICE.bus(after)] = builder.optionsOf(CHOICE.bus(after), isThere);
  if (behind && newSwitch?.id === behind.part)
    requires[CHOICE.newSwitch] = builder.optionsOf(CHOICE.newSwitch, isThere);
  if (behind) requires[CHOICE.bus(behind.upstream)] = builder.optionsOf(CHOICE.bus(behind.upstream), isThere);
  const there = (id: string, changed: boolean): Draft => ({ id, goals: { changes: Number(changed) }, requires });
  builder.choice(CHOICE.bus(bus.id), [
    { id: ABSENT },
    ...(clocks.length > 0 ? clocks.map((hz, i) => there(String(hz), i > 0)) : [there('there', false)]),
  ]);
}

/** Resistors of the plan on one side of a bus, by line. */
function keptOn(
  { bench }: EncodingContext,
  { bus }: Segment,
  beyond: string | null,
): Map<string, HelperOf<'pull-up'>[]> {
  const byLine = new Map<string, HelperOf<'pull-up'>[]>();
  for (const helper of helpersOf(bench.circuit.plan, 'pull-up')) {
    if (helper.of !== bus.id || (helper.beyond ?? null) !== beyond) continue;
    if (!bench.standing.wide.rails.has(helper.to)) continue;
    byLine.set(helper.line, [...(byLine.get(helper.line) ?? []), helper]);
  }
  return byLine;
}

/** The most capacitance besides the controller's own that a resistor lifts in time, pF. */
const mostLoad = (mode: BusMode, ohms: number): number =>
  Math.max(0, (mode.riseTime / (RISE_FACTOR * ohms) - PIN_CAPACITANCE - ROW_CAPACITANCE) * 1e12);

interface Puller {
  readonly draft: Draft;
  /** Ω at its highest; null where nothing has to be lifted in time. */
  readonly ohms: number | null;
}

function pullersOn(making: EncodingContext, segment: Segment, far: string | null): Puller[] {
  const { bench, slots, parts } = making;
  const { bus, protocol } = segment;
  const lines = busLines(protocol).length;
  const rail = far ?? logicRail(bench.standing.wide) ?? '';
  const volts = bench.standing.wide.rails.get(rail)?.voltage?.max ?? 0;
  const resistor = bench.circuit.cards.get(bench.circuit.plan.resistors ?? '');
  const found: Puller[] = [];
  const serving = slots.filter(
    (slot) => !segment.behind && (far === null || slot.far === far) && hasPullUps(slot.card),
  );
  for (const slot of serving) {
    const requires = { [CHOICE.side(bus.id, slot.far)]: [slot.id] };
    // Both sides of it lift together while its transistor is on: the edge is worked out later.
    found.push({ draft: { id: `slot:${slot.id}`, requires }, ohms: null });
  }
  // What sits on the board is there without being chosen; on which pins is judged when it is known where the bus is.
  if (!segment.behind && far === null && hasBoardPullUps(bench.circuit))
    found.push({ draft: { id: 'board' }, ohms: null });
  const able = parts.flatMap((part) => {
    const mine = optionsAt(part, segment, far, true);
    return mine.length > 0 ? [{ part, mine }] : [];
  });
  if (able.length > 0) {
    const needsAny = Object.fromEntries(able.map(({ part, mine }) => [CHOICE.part(part.choice.id), mine]));
    const values = able.flatMap(({ part }) => ownOhms(part) ?? []);
    found.push({ draft: { id: 'own', needsAny }, ohms: values.length > 0 ? Math.min(...values) : null });
  }
  for (const slot of [null, ...slots.filter((s) => s.helper && s.far === far)]) {
    if ((slot === null) !== (far === null)) continue;
    const kept = keptOn(making, segment, slot?.helper?.id ?? null);
    if (kept.size < lines) continue;
    const requires = slot ? { [CHOICE.side(bus.id, slot.far)]: [slot.id] } : {};
    const several = [...kept.values()].some((list) => list.length > 1);
    const ohms = (list: readonly HelperOf<'pull-up'>[]) =>
      parallel(list.map((h) => spread(h.ohms, bench.circuit.tolerance))).max;
    const first = Math.max(...[...kept.values()].map((list) => ohms(list.slice(0, 1))));
    const all = Math.max(...[...kept.values()].map(ohms));
    const id = slot?.id ?? 'near';
    found.push({ draft: { id: `kept:${id}`, goals: { cautions: Number(several) }, requires }, ohms: all });
    if (several) found.push({ draft: { id: `first:${id}`, requires }, ohms: first });
  }
  const strongest = seriesAtLeast(
    bench.circuit.plan.rules.series,
    pullUpMin(volts, sinkAt(volts, null).volts, sinkAt(volts, null).amps) / (1 - bench.circuit.tolerance),
  );
  const price = { parts: lines, cents: lines * cents(bench.circuit, resistor) };
  found.push({ draft: { id: 'pair', goals: price }, ohms: strongest * (1 + bench.circuit.tolerance) });
  return found;
}

const hasBoardPullUps = ({ parts }: Circuit): boolean =>
  [...parts.values()].some(
    ({ card }) =>
      card.controller?.pins.some(({ fittedPullUp }) => fittedPullUp) || (card.carrier?.pullUps?.length ?? 0) > 0,
  );

const isSoldered = ({ fittedPullUp }: Signal): boolean =>
  fittedPullUp !== undefined && fittedPullUp.removable !== 'jumper';

const ownOhms = ({ node }: PartOptions): number | null => {
  const all = node.card.signals.flatMap(({ fittedPullUp }) =>
    fittedPullUp ? [toInterval(fittedPullUp.value).max] : [],
  );
  return all.length > 0 ? Math.max(...all) : null;
};

function encodePulls(making: EncodingContext, segment: Segment, far: string | null): void {
  const { builder } = making;
  if (segment.protocol === 'spi') return;
  const id = CHOICE.pull(segment.bus.id, far);
  const pullers = pullersOn(making, segment, far);
  const mode = segment.protocol === 'i2c' ? modeFor(segment.bus.clock ?? 100e3) : null;
  if (!mode) {
    builder.choice(id, [{ id: ABSENT }, ...pullers.map(({ draft }) => draft)]);
    return;
  }
  // Resistors of translators and soldered ones help to lift the line; how much is judged when it is known who is there.
  const lifted =
    !segment.behind && (making.slots.some(({ card }) => hasPullUps(card)) || hasBoardPullUps(making.bench.circuit));
  const isExact =
    !lifted &&
    !making.parts.some((part) => optionsAt(part, segment, far).length > 0 && part.node.card.signals.some(isSoldered));
  const most = (ohms: number | null) =>
    Math.min(mode.capacitance * 1e12, ohms === null || !isExact ? Infinity : mostLoad(mode, ohms));
  const capacity = Math.max(...pullers.map(({ ohms }) => most(ohms)));
  // A weaker resistor leaves less room: what it leaves out counts as used.
  const load = builder.resource(`load:${segment.bus.id}:${far ?? 'near'}`, capacity);
  builder.choice(id, [
    { id: ABSENT },
    ...pullers.map(({ draft, ohms }) => ({ ...draft, uses: { ...draft.uses, [load]: capacity - most(ohms) } })),
  ]);
}

/** Members whose wiring is not decided hold their address and their bus. */
function encodeHeld(making: EncodingContext): void {
  const { bench, builder, segments, parts } = making;
  const decided = new Set(parts.map(({ choice }) => choice.id));
  for (const { id: bus, members } of bench.circuit.buses) {
    const segment = segments.find((s) => s.bus.id === bus);
    for (const member of members) {
      if (!segment || decided.has(member.part)) continue;
      const uses =
        member.address === null || member.selectors.length > 0
          ? {}
          : { [builder.resource(addressResource(segment, member.address), 1, 'address')]: 1 };
      builder.choice(`held:${keyOf(member.part, member.port)}`, [
        { id: 'there', uses, requires: { [CHOICE.bus(bus)]: builder.optionsOf(CHOICE.bus(bus), isThere) } },
      ]);
    }
  }
}

/** To be called when additions are there and before parts. */
export function encodeBuses(making: EncodingContext): void {
  for (const segment of making.segments) encodeBus(making, segment);
  const fars = [...new Set(making.slots.map(({ far }) => far))];
  for (const segment of making.segments) {
    encodePulls(making, segment, null);
    if (!segment.behind) for (const far of fars) encodePulls(making, segment, far);
  }
  encodeHeld(making);
}

/** True for a translator that carries resistors on both sides of every channel. */
const hasPullUps = (card: Card): boolean =>
  card.translator?.channels.every(({ low, high }) =>
    [low, high].every((id) => card.signals.find((signal) => signal.id === id)?.fittedPullUp),
  ) ?? false;
