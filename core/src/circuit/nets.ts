/** Nets: which terminals are joined, what pulls them, what they weigh. */
import { toInterval } from '../card/to-interval.ts';
import { spread } from '../quantity/interval.ts';
import { legsIn, type LegOf, type HelperOf } from '../plan/helpers.ts';
import type { LineName } from '../plan/helpers/kind.ts';
import type { Plan } from '../plan/plan.ts';
import { CABLE_CAPACITANCE, JUMPER_LENGTH, ROW_CAPACITANCE } from '../standard/common-practice.ts';
import type { Net, NetEnd, PartNode, PinWish, PullDown, PullUp } from './model.ts';
import { boardPullUps } from './board-pull-ups.ts';
import { controllerEnd, dividerEnd, lightlyLoaded, signalEnd, tiedEnd, weakPullUp } from './ends.ts';
import { powerOf, type PowerGraph } from './power.ts';
import { deriveTrunks, type Station, type Trunk } from './trunks.ts';
import { quantityOf, tells, type Text, type Quantity, wordOf } from '../quantity/message.ts';
import { beyondOf, keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface CircuitNetsSays {
  readonly resistor: { id: Text };
  readonly resistor2: { helper: Text };
  readonly on: { part: Text };
  readonly capacitor: { helper: Text };
  readonly aboveDivider: { trunk: Text };
  readonly beyond: { trunk: Text; part: Text };
  readonly pin: { end: Text };
  readonly lead: { end: Text; length: Quantity; cable: Text | null };
  readonly boardRows: { count: number };
}

const tell = tells<CircuitNetsSays>('circuit/nets');

export interface NetGraph {
  readonly nets: Net[];
  readonly wishes: PinWish[];
}

/** Everything that the nets are made from. */
interface Making {
  readonly parts: ReadonlyMap<string, PartNode>;
  readonly controller: PartNode | null;
  readonly power: PowerGraph;
  /** Of the resistors of the plan, as a share. */
  readonly tolerance: number;
  readonly pullUps: ReadonlyMap<string, PullUp[]>;
  readonly series: ReadonlyMap<string, Net['series'][number][]>;
  readonly pullDowns: ReadonlyMap<string, PullDown[]>;
  readonly filters: ReadonlyMap<string, Net['filters'][number][]>;
  readonly dividers: ReadonlyMap<string, LegOf<'divider'>>;
  readonly fixed: ReadonlyMap<string, NonNullable<Net['fixed']>[]>;
  /** Channels of each translator that earlier lines have taken. */
  readonly channels: Map<string, number>;
}

export function deriveNets(
  plan: Plan,
  parts: ReadonlyMap<string, PartNode>,
  controller: PartNode | null,
  power: PowerGraph,
  tolerance: number,
): NetGraph {
  const pulls = legsIn(plan, 'pull-up');
  const making: Making = {
    parts,
    controller,
    power,
    tolerance,
    pullUps: byNet(
      pulls.filter(({ divides }) => !divides),
      (leg) => toRail(leg, power, tolerance),
    ),
    fixed: byNet(
      pulls.filter(({ divides }) => divides),
      (leg) => toRail(leg, power, tolerance),
    ),
    series: byNet(legsIn(plan, 'in-line'), (leg) => leg),
    pullDowns: byNet(legsIn(plan, 'pull-down'), (leg) => pullDownOf(leg, tolerance)),
    filters: byNet(legsIn(plan, 'line-capacitor'), (leg) => leg),
    dividers: new Map(legsIn(plan, 'divider').map((leg) => [leg.helper, leg])),
    channels: new Map(),
  };
  const trunks = deriveTrunks(plan, parts);
  return {
    nets: trunks.flatMap((trunk) => netsOf(trunk, making)),
    wishes: trunks.filter(({ from, tied }) => from === null && tied === null).map(wishOf),
  };
}

const wishOf = (trunk: Trunk): PinWish => ({
  id: trunk.id,
  of: trunk.of,
  line: trunk.line,
  label: trunk.label,
  ask: trunk.ask,
  pin: trunk.pin,
  locked: trunk.locked,
  weakPull: trunk.weakPull,
  meant: trunk.meant,
  frequency: frequencyOf(trunk),
  group: trunk.group,
  net: trunk.id,
});

function frequencyOf({ ask, stations }: Trunk): PinWish['frequency'] {
  const stated = stations[0]?.port.frequency;
  return ask === 'pwm' && stated ? toInterval(stated) : null;
}

/** The net of a line, and one more for each translator or divider on it. */
function netsOf(trunk: Trunk, making: Making): Net[] {
  const { controller, power, parts } = making;
  const sides = new Map<string | null, Station[]>([[null, []]]);
  for (const station of trunk.stations) sides.set(station.beyond, [...(sides.get(station.beyond) ?? []), station]);
  const nearExtra: NetEnd[] = [];
  const far: Net[] = [];
  for (const [beyond, stations] of sides) {
    if (beyond === null) continue;
    const ends = endsOf(stations, trunk, power);
    const between = betweenSides(beyond, ends, making);
    nearExtra.push(...between.near);
    far.push(finishNet(trunk, beyond, [...between.far, ...ends], making));
  }
  const first =
    trunk.tied !== null
      ? tiedEnd(trunk.tied, parts, controller, power)
      : trunk.from
        ? signalEnd(trunk.from.part, trunk.from.signal, power)
        : controller && trunk.pin
          ? [controllerEnd(controller, trunk, power)]
          : [];
  const near = finishNet(trunk, null, [...first, ...nearExtra, ...endsOf(sides.get(null) ?? [], trunk, power)], making);
  return [near, ...far.filter(({ ends }) => ends.length > 0)];
}

const endsOf = (stations: readonly Station[], trunk: Trunk, power: PowerGraph): NetEnd[] =>
  stations.flatMap(({ part, port }) => signalEnd(part, port.lines[trunk.line], power));

/** What a translator or divider puts on its two sides. */
function betweenSides(beyond: string, ends: readonly NetEnd[], making: Making): { near: NetEnd[]; far: NetEnd[] } {
  const { parts, power, dividers, channels, tolerance } = making;
  const divider = dividers.get(beyond);
  const [above] = ends;
  if (divider) return { near: above ? [dividerEnd(divider, above, tolerance)] : [], far: [] };
  const node = parts.get(beyond);
  const taken = channels.get(beyond) ?? 0;
  channels.set(beyond, taken + 1);
  const channel = node?.card.translator?.channels[taken];
  if (!node?.helper || !channel) return { near: [], far: [] };
  const [near, far] = nearIsLow(node.helper, power) ? [channel.low, channel.high] : [channel.high, channel.low];
  return { near: signalEnd(node, near, power), far: signalEnd(node, far, power) };
}

/** A translator's near rail is on its low side when its voltage is not above the far one. */
export function nearIsLow(helper: HelperOf<'translator'>, power: PowerGraph): boolean {
  const near = power.rails.get(helper.near)?.voltage?.typ ?? 0;
  const far = power.rails.get(helper.far)?.voltage?.typ ?? 0;
  return near <= far;
}

/** A resistor of the plan from a line to a rail. */
function toRail(
  { helper, rail: to, ohms }: { readonly helper: string; readonly rail: string; readonly ohms: number },
  power: PowerGraph,
  tolerance: number,
): PullUp & { readonly helper: string } {
  const rail = power.rails.get(to);
  return {
    ohms: spread(ohms, tolerance),
    rail: to,
    voltage: rail?.voltage ?? null,
    root: rail?.root ?? to,
    source: rail?.source ?? null,
    switches: rail?.switches ?? [],
    helper,
    fitted: null,
    label: tell('resistor', { id: helper }),
    figure: null,
  };
}

/** Legs by the net that they are on. */
function byNet<L extends { readonly line: LineName }, Made>(
  legs: readonly L[],
  make: (leg: L) => Made,
): Map<string, Made[]> {
  const map = new Map<string, Made[]>();
  for (const leg of legs) {
    const { of, line, beyond } = leg.line;
    const key = beyondOf(keyOf(of, line), beyond);
    map.set(key, [...(map.get(key) ?? []), make(leg)]);
  }
  return map;
}

const pullDownOf = (
  { helper, ohms }: { readonly helper: string; readonly ohms: number },
  tolerance: number,
): PullDown => ({
  ohms: spread(ohms, tolerance),
  helper,
  label: tell('resistor2', { helper }),
  figure: null,
});

function fittedPullDown(end: NetEnd, parts: ReadonlyMap<string, PartNode>): PullDown[] {
  const part = parts.get(end.part);
  const fitted = end.controller ? undefined : part?.card.signals.find(({ id }) => id === end.signal)?.fittedPullDown;
  if (!part || !fitted) return [];
  const figure = { card: part.card.id, source: fitted.source };
  return [{ ohms: toInterval(fitted), helper: null, label: tell('on', { part: part.label }), figure }];
}

const DRIVES_HIGH: ReadonlySet<string> = new Set(['push-pull', 'bidirectional', 'analog-out']);

function finishNet(trunk: Trunk, beyond: string | null, bare: readonly NetEnd[], making: Making): Net {
  const { parts, power, controller } = making;
  const id = beyondOf(trunk.id, beyond);
  const pullUps = [
    ...(making.pullUps.get(id) ?? []),
    ...bare.flatMap((end) => fittedPullUp(end, parts, power, controller)),
  ];
  const pullDowns = [
    ...(beyond === null ? (making.pullDowns.get(trunk.id) ?? []) : []),
    ...bare.flatMap((end) => fittedPullDown(end, parts)),
  ];
  const ends = lightlyLoaded(bare, parts, pullUps, pullDowns);
  const filters = beyond === null ? (making.filters.get(trunk.id) ?? []) : [];
  const terms = [
    ...capacitanceTerms(ends, parts),
    ...filters.map(({ helper, farads }) => ({ part: null, label: tell('capacitor', { helper }), farads })),
  ];
  const sinks = ends.some(({ kind }) => kind === 'open-drain' || kind === 'switch');
  const [only] = trunk.stations;
  return {
    id,
    trunk: trunk.id,
    tied: trunk.tied,
    upstream: beyond === null ? (trunk.from?.upstream ?? null) : null,
    label:
      beyond === null
        ? trunk.label
        : making.dividers.has(beyond)
          ? tell('aboveDivider', { trunk: trunk.label })
          : tell('beyond', { trunk: trunk.label, part: parts.get(beyond)?.label ?? beyond }),
    of: trunk.of,
    bus: trunk.bus,
    line: trunk.line,
    protocol: trunk.protocol,
    beyond,
    ends,
    pullUps,
    weak: beyond === null && controller ? weakPullUp(controller, trunk, power) : null,
    fixed: beyond === null && only?.beyond === null ? (making.fixed.get(trunk.id)?.at(-1) ?? null) : null,
    pullDowns,
    filters,
    series: making.series.get(trunk.id) ?? [],
    capacitance: terms.reduce((sum, { farads }) => sum + farads, 0),
    capacitanceTerms: terms,
    clock: trunk.clock,
    openDrain: sinks && !ends.some(({ kind }) => DRIVES_HIGH.has(kind)),
  };
}

function capacitanceTerms(ends: readonly NetEnd[], parts: ReadonlyMap<string, PartNode>): Net['capacitanceTerms'] {
  const terms: { part: string | null; label: Text; farads: number }[] = ends.map((end) => ({
    part: end.part,
    label: tell('pin', { end: end.label }),
    farads: end.capacitance,
  }));
  for (const end of ends) {
    if (end.controller || end.divider) continue;
    const part = parts.get(end.part);
    const own = part?.card.terminals.find(({ id }) => id === end.terminal)?.lead?.length ?? 0;
    const length = (part?.choice?.lead ?? JUMPER_LENGTH) + own;
    const cable = part?.choice?.cable ?? 'loose';
    terms.push({
      part: end.part,
      label: tell('lead', {
        end: end.label,
        length: quantityOf(length, 'm'),
        cable: cable === 'loose' ? null : wordOf('cable', cable),
      }),
      farads: length * CABLE_CAPACITANCE[cable],
    });
  }
  terms.push({ part: null, label: tell('boardRows', { count: ends.length }), farads: ends.length * ROW_CAPACITANCE });
  return terms;
}

function onBoard(
  terminal: string,
  parts: ReadonlyMap<string, PartNode>,
  power: PowerGraph,
  controller: PartNode,
): PullUp[] {
  return boardPullUps(parts, controller, terminal).map(({ part, signal, value, to, removable }) => {
    const on = powerOf(power, controller, to);
    return {
      ohms: toInterval(value),
      rail: on.rail ?? keyOf(controller.id, to),
      voltage: on.voltage,
      root: on.rail ?? keyOf(controller.id, to),
      source: on.source,
      switches: on.switches,
      helper: null,
      fitted: { part: part.id, signal, removable },
      label: tell('on', { part: part.label }),
      figure: { card: part.card.id, source: value.source },
    };
  });
}

function fittedPullUp(
  end: NetEnd,
  parts: ReadonlyMap<string, PartNode>,
  power: PowerGraph,
  controller: PartNode | null,
): PullUp[] {
  if (end.controller) return controller ? onBoard(end.terminal, parts, power, controller) : [];
  const part = parts.get(end.part);
  const fitted = part?.card.signals.find(({ id }) => id === end.signal)?.fittedPullUp;
  if (!part || !fitted || part.choice?.opened.includes(end.signal)) return [];
  const on = powerOf(power, part, fitted.to);
  return [
    {
      ohms: toInterval(fitted.value),
      rail: on.rail ?? keyOf(part.id, fitted.to),
      voltage: on.voltage,
      root: on.rail ?? keyOf(part.id, fitted.to),
      source: on.source,
      switches: on.switches,
      helper: null,
      fitted: { part: part.id, signal: end.signal, removable: fitted.removable },
      label: tell('on', { part: part.label }),
      figure: { card: part.card.id, source: fitted.value.source },
    },
  ];
}
