/**
 * What flows in small parts that have no supply of their own: pull-ups held low, lights, bases, dividers, resistors to ground.
 * Each is a draw on the rail that it comes from.
 */
import { legsIn } from '../plan/helpers.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Plan } from '../plan/plan.ts';
import type { ExtraLoad, Net, NetEnd, PartNode } from './model.ts';
import { quantityOf, tells, type Text } from '../quantity/message.ts';
import { divide, noted, subtract } from '../quantity/sum.ts';
import { fewOfOwner } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface CircuitLedgerSays {
  readonly pullUp: { net: Text; pullUp: Text };
  readonly heldLow: null;
  readonly base: { part: Text };
  readonly divider: { net: Text };
  readonly partLeast: null;
  readonly resistorGround: { net: Text; label: Text };
  readonly whileHigh: null;
  readonly dividerAfter: { end: Text };
}

const tell = tells<CircuitLedgerSays>('circuit/ledger');

/** Share of the time, usually and at the most. */
interface Share {
  readonly usual: number;
  readonly most: number;
}

const ALWAYS: Share = { usual: 1, most: 1 };
const V = (x: number) => quantityOf(x, 'V');
const R = (x: number) => quantityOf(x, 'Ω');

interface Setting {
  readonly plan: Plan;
  readonly parts: ReadonlyMap<string, PartNode>;
  /** Share of the time in which the lines of a bus move. */
  readonly awake: Share;
  /** Of the plan’s resistors, as a share. */
  readonly tolerance: number;
}

/** @param has whether a rail is there */
export function smallLoads(setting: Setting, nets: readonly Net[], has: (rail: string) => boolean): ExtraLoad[] {
  const { plan, parts, awake, tolerance } = setting;
  return nets
    .flatMap((net) => {
      // A net stays the same object while its parts do; what else counts is given.
      const base = net.ends.some(({ part }) => parts.get(part)?.card.driver?.bipolar) ? plan.parts : null;
      const divider = net.beyond === null ? undefined : dividerOf(plan, net.beyond);
      return loadsOn(net, [awake.usual, awake.most, tolerance, base, divider], setting);
    })
    .filter(({ rail }) => has(rail));
}

const dividerOf = (plan: Plan, helper: string) => legsIn(plan, 'divider').find((leg) => leg.helper === helper);

const loadsOn = fewOfOwner((net: Net, _given: readonly unknown[], setting: Setting): readonly ExtraLoad[] => [
  ...pullUpLoads(net, setting.awake),
  ...lightLoad(setting, net),
  ...baseLoad(setting, net),
  ...fixedLoad(setting.parts, net),
  ...pullDownLoads(net, setting.awake),
  ...dividerLoad(setting, net),
]);

function pullUpLoads(net: Net, awake: Share): ExtraLoad[] {
  return net.pullUps.flatMap((pullUp): ExtraLoad[] => {
    if (!pullUp.voltage) return [];
    const peak = pullUp.voltage.max / pullUp.ohms.min;
    const share = net.bus === null ? ALWAYS : awake;
    return [
      {
        rail: pullUp.rail,
        subject: pullUp.helper ?? pullUp.fitted?.part ?? net.id,
        label: tell('pullUp', { net: net.label, pullUp: pullUp.label }),
        typical: (pullUp.voltage.typ / pullUp.ohms.typ / 2) * share.usual,
        most: peak * share.most,
        peak,
        sum: noted(divide(V(pullUp.voltage.max), R(pullUp.ohms.min)), tell('heldLow')),
      },
    ];
  });
}

/** The pin that drives a line, with the rail that it drives from. */
function driverOf(net: Net): { end: NetEnd; rail: string } | null {
  const end = net.ends.find(({ controller }) => controller);
  return end?.power.voltage && end.power.rail ? { end, rail: end.power.rail } : null;
}

const inSeries = (net: Net): number => net.series.reduce((sum, { ohms }) => sum + ohms, 0);

function lightLoad({ parts, tolerance }: Setting, net: Net): ExtraLoad[] {
  const light = net.ends.find(({ kind }) => kind === 'led');
  const pin = driverOf(net);
  const forward = light && parts.get(light.part)?.card.ports.find(({ protocol }) => protocol === 'led')?.forward;
  const ohms = inSeries(net);
  const volts = pin?.end.power.voltage;
  if (!light || !pin || !volts || !forward || ohms === 0) return [];
  const drop = toInterval(forward.voltage);
  const least = ohms * (1 - tolerance);
  const peak = Math.max(0, (volts.max - drop.min) / least);
  const lit = parts.get(light.part)?.choice?.run?.duty ?? 1;
  return [
    {
      rail: pin.rail,
      subject: light.part,
      label: parts.get(light.part)?.label ?? light.part,
      typical: Math.max(0, (volts.typ - drop.typ) / ohms) * lit,
      most: peak * lit,
      peak,
      sum: divide(subtract(V(volts.max), V(drop.min)), R(least)),
    },
  ];
}

/** Into the base of a bare transistor, while its load is on. */
function baseLoad({ plan, parts, tolerance }: Setting, net: Net): ExtraLoad[] {
  const pin = driverOf(net);
  const driver = net.ends.find(({ part, controller }) => !controller && parts.get(part)?.card.driver?.bipolar);
  const bipolar = driver && parts.get(driver.part)?.card.driver?.bipolar;
  const ohms = inSeries(net);
  const volts = pin?.end.power.voltage;
  if (!pin || !driver || !bipolar || !volts || ohms === 0) return [];
  const base = toInterval(bipolar.base);
  const least = ohms * (1 - tolerance);
  const peak = Math.max(0, (volts.max - base.min) / least);
  const driven = plan.parts.filter(({ ports }) => Object.values(ports).some((choice) => choice.driver === driver.part));
  const on = driven.length > 0 ? Math.max(...driven.map(({ run }) => run?.duty ?? 1)) : 1;
  return [
    {
      rail: pin.rail,
      subject: driver.part,
      label: tell('base', { part: parts.get(driver.part)?.label ?? driver.part }),
      typical: Math.max(0, (volts.typ - base.typ) / ohms) * on,
      most: peak * on,
      peak,
      sum: divide(subtract(V(volts.max), V(base.min)), R(least)),
    },
  ];
}

/** Ω of a bare part at the middle of what its card describes; null where it says none. */
function bareOhms(parts: ReadonlyMap<string, PartNode>, net: Net): number | null {
  for (const end of net.ends)
    for (const { analog } of parts.get(end.part)?.card.measures ?? [])
      if (analog && analog.kind !== 'linear' && analog.signal === end.signal)
        return toInterval(analog.kind === 'beta' ? analog.r25 : analog.kind === 'light' ? analog.r10 : analog.r0).typ;
  return null;
}

/** Through the fixed resistor and the bare part to ground, all the time. */
function fixedLoad(parts: ReadonlyMap<string, PartNode>, net: Net): ExtraLoad[] {
  const { fixed } = net;
  if (!fixed?.voltage) return [];
  const bare = bareOhms(parts, net) ?? 0;
  const peak = fixed.voltage.max / fixed.ohms.min;
  return [
    {
      rail: fixed.rail,
      subject: fixed.helper,
      label: tell('divider', { net: net.label }),
      typical: fixed.voltage.typ / (fixed.ohms.typ + bare),
      most: peak,
      peak,
      sum: noted(divide(V(fixed.voltage.max), R(fixed.ohms.min)), tell('partLeast')),
    },
  ];
}

/** What a pin gives into a resistor to ground while it is high: half of the time in which the controller is awake. */
function pullDownLoads(net: Net, awake: Share): ExtraLoad[] {
  const pin = driverOf(net);
  const volts = pin?.end.power.voltage;
  if (!pin || !volts || pin.end.kind === 'input' || pin.end.kind === 'open-drain') return [];
  return net.pullDowns.map(({ ohms, label, helper }) => {
    const peak = volts.max / ohms.min;
    return {
      rail: pin.rail,
      subject: helper ?? net.id,
      label: tell('resistorGround', { net: net.label, label }),
      typical: (volts.typ / ohms.typ / 2) * awake.usual,
      most: peak * awake.most,
      peak,
      sum: noted(divide(V(volts.max), R(ohms.min)), tell('whileHigh')),
    };
  });
}

/** What an output gives into the divider behind it while it is high. */
function dividerLoad({ plan, tolerance }: Setting, net: Net): ExtraLoad[] {
  const divider = net.beyond === null ? undefined : dividerOf(plan, net.beyond);
  const end = net.ends.find(({ divider }) => !divider);
  const volts = end?.power.voltage;
  if (!divider || !end?.power.rail || !volts) return [];
  const ohms = divider.upper + divider.lower;
  const least = ohms * (1 - tolerance);
  const peak = volts.max / least;
  return [
    {
      rail: end.power.rail,
      subject: divider.helper,
      label: tell('dividerAfter', { end: end.label }),
      typical: volts.typ / ohms / 2,
      most: peak,
      peak,
      sum: noted(divide(V(volts.max), R(least)), tell('whileHigh')),
    },
  ];
}
