/** Nets: which terminals are joined, what pulls them, what they weigh. */
import { tells, type Text } from '../quantity/message.ts';
import { beyondOf } from '../plan/ref.ts';
import { lightlyLoaded } from './light-load.ts';
import type { Net, PowerGraph } from './model.ts';
import { capacitanceTerms } from './net-load.ts';
import { LegsAt } from './helper-legs.ts';
import { NetGrounds } from './net-grounds.ts';
import { fewOfOwner } from '../quantity/memo.ts';
import { fittedPullDown, fittedPullUp, weakPullUp } from './pulls.ts';
import { sidesOf, takeChannels, type Between, type Side } from './sides.ts';
import type { Trunk } from './trunks.ts';
import type { Topology } from './topology.ts';

/** What is said here, by the data that it takes. */
export interface CircuitNetsSays {
  readonly aboveDivider: { trunk: Text };
  readonly beyond: { trunk: Text; part: Text };
}
const tell = tells<CircuitNetsSays>('circuit/nets');

const DRIVES_HIGH: ReadonlySet<string> = new Set(['push-pull', 'bidirectional', 'analog-out']);

/** @param power at rest or under load: the voltages that the levels stand on */
export function netsOf(topology: Topology, power: PowerGraph): Net[] {
  const legs = new LegsAt(topology.plan);
  const grounds = new NetGrounds(topology, power, legs);
  const channels = new Map<string, number>();
  return topology.trunks.flatMap((trunk) => {
    const between = takeChannels(trunk, channels);
    return netsOn(trunk, grounds.of(trunk, between), topology, between, power, legs);
  });
}

/** The nets of one line, which are made once for as long as all that they follow from is the same. */
const netsOn = fewOfOwner(
  (
    trunk: Trunk,
    _grounds: readonly unknown[],
    topology: Topology,
    between: Between,
    power: PowerGraph,
    legs: LegsAt,
  ): readonly Net[] => sidesOf(topology, trunk, between, power).map((side) => netOn(topology, side, power, legs)),
);

function netOn(
  { parts, controller, tolerance }: Topology,
  { trunk, beyond, divided, ends: bare }: Side,
  power: PowerGraph,
  legs: LegsAt,
): Net {
  const id = beyondOf(trunk.id, beyond);
  const isNear = beyond === null;
  const own = legs.on(id, power, tolerance);
  const first = isNear ? own : legs.on(trunk.id, power, tolerance);
  const weak = isNear && controller ? weakPullUp(controller, trunk, power) : null;
  const pullDowns = [...(isNear ? own.pullDowns : []), ...bare.flatMap((end) => fittedPullDown(end, parts))];
  const pullUps = [...own.pullUps, ...bare.flatMap((end) => fittedPullUp(end, parts, power, controller))];
  const ends = lightlyLoaded(bare, parts, pullUps, pullDowns);
  const filters = isNear ? own.filters : [];
  const terms = capacitanceTerms(ends, filters, parts);
  const sinks = ends.some(({ kind }) => kind === 'open-drain' || kind === 'switch');
  const far = divided
    ? tell('aboveDivider', { trunk: trunk.label })
    : tell('beyond', { trunk: trunk.label, part: parts.get(beyond ?? '')?.label ?? beyond ?? '' });
  return {
    id,
    trunk: trunk.id,
    tied: trunk.tied,
    upstream: isNear ? (trunk.from?.upstream ?? null) : null,
    label: isNear ? trunk.label : far,
    of: trunk.of,
    bus: trunk.bus,
    line: trunk.line,
    protocol: trunk.protocol,
    beyond,
    ends,
    pullUps,
    weak,
    fixed: isNear && trunk.stations[0]?.beyond === null ? (own.fixed.at(-1) ?? null) : null,
    pullDowns,
    filters,
    series: first.series,
    capacitance: terms.reduce((sum, { farads }) => sum + farads, 0),
    capacitanceTerms: terms,
    clock: trunk.clock,
    openDrain: sinks && !ends.some(({ kind }) => DRIVES_HIGH.has(kind)),
  };
}
