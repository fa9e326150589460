/** Nets: which terminals are joined, what pulls them, what they weigh. */
import { tells, type Text } from '../quantity/message.ts';
import { beyondOf } from '../plan/ref.ts';
import { lightlyLoaded } from './light-load.ts';
import type { Net, PowerGraph } from './model.ts';
import { capacitanceTerms } from './net-load.ts';
import { helperLegs } from './helper-legs.ts';
import { fittedPullDown, fittedPullUp, weakPullUp } from './pulls.ts';
import { sidesOf } from './sides.ts';
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
  const { plan, parts, controller, tolerance } = topology;
  const legs = helperLegs(plan, power, tolerance);
  return sidesOf(topology, power).map(({ trunk, beyond, divided, ends: bare }): Net => {
    const id = beyondOf(trunk.id, beyond);
    const isNear = beyond === null;
    const weak = isNear && controller ? weakPullUp(controller, trunk, power) : null;
    const pullDowns = [
      ...(isNear ? (legs.pullDowns.get(trunk.id) ?? []) : []),
      ...bare.flatMap((end) => fittedPullDown(end, parts)),
    ];
    const pullUps = [
      ...(legs.pullUps.get(id) ?? []),
      ...bare.flatMap((end) => fittedPullUp(end, parts, power, controller)),
    ];
    const ends = lightlyLoaded(bare, parts, pullUps, pullDowns);
    const filters = isNear ? (legs.filters.get(trunk.id) ?? []) : [];
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
      fixed: isNear && trunk.stations[0]?.beyond === null ? (legs.fixed.get(trunk.id)?.at(-1) ?? null) : null,
      pullDowns,
      filters,
      series: legs.series.get(trunk.id) ?? [],
      capacitance: terms.reduce((sum, { farads }) => sum + farads, 0),
      capacitanceTerms: terms,
      clock: trunk.clock,
      openDrain: sinks && !ends.some(({ kind }) => DRIVES_HIGH.has(kind)),
    };
  });
}
