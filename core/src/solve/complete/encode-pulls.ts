/** What pulls each side of each bus up, as choices. */
import { type HelperOf, helpersOf } from '../../plan/helpers.ts';
import { parallel, spread } from '../../quantity/interval.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { type BusMode, PIN_CAPACITANCE, RISE_FACTOR, modeFor, pullUpMin, sinkAt } from '../../standard/bus-timing.ts';
import { ROW_CAPACITANCE } from '../../standard/common-practice.ts';
import { seriesAtLeast } from '../../standard/e-series.ts';
import type { Draft, DraftChoice } from '../joint/draft.ts';
import { hasBoardPullUps, hasPullUps, isSoldered, ownOhms } from './fitted-pull-ups.ts';
import { type EncodingContext, cents } from './encoding-context.ts';
import { ABSENT, CHOICE, RESOURCE } from './names.ts';
import type { Side } from './places.ts';
import { type Segment, busLines } from './segments.ts';

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

function pullersOn(making: EncodingContext, { segment, far, pullers }: Side): Puller[] {
  const { bench, slots } = making;
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
  if (pullers.size > 0) {
    const needsAny = Object.fromEntries([...pullers].map(([part, options]) => [CHOICE.part(part.choice.id), options]));
    const values = [...pullers.keys()].flatMap((part) => ownOhms(part) ?? []);
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

function pullChoice(making: EncodingContext, side: Side): DraftChoice[] {
  const { segment, far, users } = side;
  if (segment.protocol === 'spi') return [];
  const id = CHOICE.pull(segment.bus.id, far);
  const pullers = pullersOn(making, side);
  const mode = segment.protocol === 'i2c' ? modeFor(segment.bus.clock ?? 100e3) : null;
  if (!mode) return [{ id, options: [{ id: ABSENT }, ...pullers.map(({ draft }) => draft)] }];
  // Resistors of translators and soldered ones help to lift the line; how much is judged when it is known who is there.
  const lifted =
    !segment.behind && (making.slots.some(({ card }) => hasPullUps(card)) || hasBoardPullUps(making.bench.circuit));
  const isExact = !lifted && ![...users.keys()].some(({ node }) => node.card.signals.some(isSoldered));
  const most = (ohms: number | null) =>
    Math.min(mode.capacitance * 1e12, ohms === null || !isExact ? Infinity : mostLoad(mode, ohms));
  const capacity = Math.max(...pullers.map(({ ohms }) => most(ohms)));
  // A weaker resistor leaves less room: what it leaves out counts as used.
  const resource = RESOURCE.load(segment.bus.id, far, capacity);
  const options = pullers.map(({ draft, ohms }) => ({ ...draft, uses: [{ resource, amount: capacity - most(ohms) }] }));
  return [{ id, options: [{ id: ABSENT }, ...options] }];
}

export const encodePulls = (making: EncodingContext): DraftChoice[] =>
  making.sides.flatMap((side) => pullChoice(making, side));
