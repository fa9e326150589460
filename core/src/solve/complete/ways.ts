/** Every way of wiring each part that holds on its own. */
import { helpersOf, type Helper, isHelperOf, namesOf } from '../../plan/helpers.ts';
import type { Message } from '../../quantity/message.ts';
import { maySupply } from '../../circuit/charger.ts';
import { takesLeads } from '../../circuit/cable.ts';
import { buyingOf } from '../../buy/currency.ts';
import { toInterval } from '../../card/to-interval.ts';
import { isBusLine, isShared, isTwoWay } from '../../card/protocol.ts';
import type { Card } from '../../card/card.ts';
import type { PartNode, Rail } from '../../circuit/model.ts';
import type { Result } from '../../check/result.ts';
import { FIVE_VOLTS, NEAR_RAIL } from '../../check/level-feed-rule.ts';
import { mightFeed } from '../../check/supply-range.ts';
import { cheapestFirst } from '../../buy/cost.ts';
import type { PartChoice } from '../../plan/plan.ts';
import { within } from '../../quantity/interval.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { tried, tryAlone, type Bench, type Try, type Wired } from './alone.ts';
import { isStanding } from './is-standing.ts';
import { isOf } from '../../plan/ref.ts';

export interface Way {
  readonly wired: Wired;
  /** True where its own pull-ups can be the ones on its side of the bus. */
  readonly canPull: boolean;
}

export interface PartOptions {
  readonly node: PartNode;
  readonly choice: PartChoice;
  readonly ways: readonly Way[];
  /** Index of the way that the plan has now; -1 where that does not hold on its own. */
  readonly now: number;
}

/** Parts whose wiring is decided: not what makes rails, sits on a carrier, or is switched in turn with others. */
export function isDecided(bench: Bench, node: PartNode): boolean {
  const { choice, card, helper } = node;
  if (!choice || helper || card.controller || card.carrier || choice.fittedOn !== undefined) return false;
  return !isStanding(card) && !isSwitched(bench, choice) && !isGated(bench, choice);
}

const isSwitched = ({ circuit, standing }: Bench, choice: PartChoice): boolean =>
  Object.values(choice.feeds).some((rail) => circuit.rails.has(rail) && !standing.circuit.rails.has(rail));

/** True for a rail of the voltage that the house rule does not name, where the part works from both. */
function breaksRule({ circuit, standing }: Bench, card: Card, { voltage }: Rail): boolean {
  const logic = standing.wide.rails.get(logicRail(standing.wide) ?? '')?.voltage?.typ;
  const [supply] = card.supplies;
  if (card.kind !== 'module' || card.signals.length === 0 || !supply || !voltage || logic === undefined) return false;
  const range = toInterval(supply.range);
  const near = (volts: number) => Math.abs(voltage.typ - volts) <= NEAR_RAIL * volts;
  const takesBoth = [...standing.wide.rails.values()].filter((rail) => rail.voltage && within(rail.voltage, range));
  const has = (volts: number) =>
    takesBoth.some((rail) => Math.abs((rail.voltage?.typ ?? 0) - volts) <= NEAR_RAIL * volts);
  if (Math.abs(logic - FIVE_VOLTS) <= NEAR_RAIL * FIVE_VOLTS || !has(logic) || !has(FIVE_VOLTS)) return false;
  return circuit.plan.rules.feed === 'logic-rail' ? near(FIVE_VOLTS) : near(logic);
}

/** True for a part behind a translator that a pin switches: it takes turns, and stays there. */
const isGated = ({ circuit }: Bench, { id }: PartChoice): boolean =>
  helpersOf(circuit.plan, 'translator').some((h) => h.gate && h.ports.some(({ part }) => part === id));

/** Rails that a part's first supply can have; the others keep theirs, or get what fits. */
function feedsOf(bench: Bench, { card }: PartNode, choice: PartChoice): Record<string, string>[] {
  const rails = [...bench.standing.wide.rails.values()].filter(
    (rail) =>
      rail.switches.length === 0 &&
      takesLeads(bench.standing.wide, rail) &&
      (bench.againstRules || !breaksRule(bench, card, rail)),
  );
  const fitting = card.supplies.map((supply) =>
    rails
      .filter(
        (rail) => mightFeed(bench.standing.wide, rail, supply) && maySupply(bench.standing.wide, card, supply.id, rail),
      )
      .map(({ ref }) => ref),
  );
  const others = card.supplies.slice(1).flatMap(({ id }, i): [string, string][] => {
    const fit = fitting[i + 1] ?? [];
    const kept = choice.feeds[id];
    const rail = kept !== undefined && fit.includes(kept) ? kept : fit[0];
    return rail === undefined ? [] : [[id, rail]];
  });
  const [first] = card.supplies;
  const living = Object.values(choice.ports).some(({ parasite }) => parasite);
  if (!first || living) return [{ ...choice.feeds }];
  return (fitting[0] ?? []).map((rail) => ({ [first.id]: rail, ...Object.fromEntries(others) }));
}

const linesOf = (card: Card): number => card.ports.reduce((sum, { lines }) => sum + Object.keys(lines).length, 0);

/** Translators that could stand before a part: cheapest first, those with an enable only where one is there already. */
function translatorsFor({ library, circuit }: Bench, card: Card): Card[] {
  const twoWay = card.ports.some(({ protocol }) => isTwoWay(protocol));
  return cheapestFirst(
    [...library.values()].filter(
      ({ translator }) =>
        translator &&
        translator.enable === undefined &&
        translator.channels.length >= linesOf(card) &&
        (!twoWay || translator.style === 'open-drain'),
    ),
    buyingOf(circuit.plan),
  );
}

/** Trials of like parts come out alike: three probes are tried once. */
export type Memory = Map<string, Wired | null>;

/** Whether a helper stands on lines or supplies of a part; a translator before it is a way of its own. */
const isAbout = (helper: Helper, part: string): boolean => {
  const { parts, nets } = namesOf(helper);
  return (
    !isHelperOf('translator')(helper) && (parts.includes(part) || nets.some((of) => of !== part && isOf(of, part)))
  );
};

function remembered(memory: Memory, bench: Bench, choice: PartChoice, way: Try): Wired | null {
  const ports = Object.entries(choice.ports).map(([id, { lines, bus, address: _address, ...rest }]) => [
    id,
    rest,
    bus === undefined ? null : (bench.circuit.plan.buses.find((b) => b.id === bus)?.clock ?? null),
    Object.entries(lines ?? {}).map(([line, { weakPull, tied }]) => [line, weakPull ?? false, tied ?? null]),
  ]);
  const helpers = bench.circuit.plan.helpers
    .filter((helper) => isAbout(helper, choice.id))
    .map((h) => ({ ...h, id: '', part: '', of: '' }));
  const key = JSON.stringify([choice.card, choice.mode, choice.ground, choice.lead, choice.needs, ports, helpers, way]);
  const known = memory.get(key);
  if (known === null) return null;
  // Helpers carry the name of the part, so only a part without any can take over the trial of another.
  if (known && (known.part.id === choice.id || known.helpers.length === 0)) {
    return known.part.id === choice.id
      ? known
      : { ...known, part: { ...known.part, id: choice.id, label: choice.label } };
  }
  const fresh = tryAlone(bench, choice.id, way);
  memory.set(key, fresh);
  return fresh;
}

/**
 * Rails that the far side of a translator may stand on: the part's own first, then one of each other voltage, for parts that speak
 * lower levels than they are fed with.
 */
function farRails({ standing }: Bench, own: string, near: string): string[] {
  const rails = [...standing.wide.rails.values()].filter(
    (rail) =>
      rail.ref !== near &&
      rail.ref !== own &&
      !rail.pin &&
      rail.switches.length === 0 &&
      rail.voltage !== null &&
      takesLeads(standing.wide, rail),
  );
  const seen = new Set([near, own].map((ref) => standing.wide.rails.get(ref)?.voltage?.typ.toFixed(1)));
  const others = rails.filter(({ voltage }) => {
    const volts = voltage?.typ.toFixed(1);
    if (seen.has(volts)) return false;
    seen.add(volts);
    return true;
  });
  return [...(own === near ? [] : [own]), ...others.map(({ ref }) => ref)];
}

const sameFeeds = (a: Readonly<Record<string, string>>, b: Readonly<Record<string, string>>): boolean =>
  Object.keys(b).every((supply) => a[supply] === b[supply]);

/** The translator without an enable that a part is behind now. */
function throughNow({ circuit }: Bench, choice: PartChoice): { card: string; near: string; far: string } | null {
  const helper = helpersOf(circuit.plan, 'translator').find(
    (h) => !h.gate && h.ports.some(({ part }) => part === choice.id),
  );
  return helper ? { card: helper.card, near: helper.near, far: helper.far } : null;
}

export function waysOf(bench: Bench, node: PartNode, memory: Memory): PartOptions | null {
  const { choice, card } = node;
  const near = logicRail(bench.standing.wide);
  if (!choice || near === null) return null;
  const now = throughNow(bench, choice);
  const jumpers = card.signals.some(({ fittedPullUp }) => fittedPullUp?.removable === 'jumper');
  const shared = card.ports.some(
    ({ protocol, lines }) => isShared(protocol) && Object.keys(lines).some((l) => isBusLine(protocol, l)),
  );
  const ways: Way[] = [];
  const add = (way: Omit<Try, 'ownPullUps'>): boolean => {
    const wired = remembered(memory, bench, choice, { ...way, ownPullUps: false });
    if (!wired) return false;
    const closed = jumpers && shared ? remembered(memory, bench, choice, { ...way, ownPullUps: true }) : null;
    ways.push({ wired, canPull: closed !== null });
    return true;
  };
  for (const feeds of feedsOf(bench, node, choice)) {
    const own = feeds[card.supplies[0]?.id ?? ''];
    const direct = add({ feeds, through: null });
    if (own === undefined) continue;
    let holds = direct;
    for (const far of farRails(bench, own, near)) {
      const kept = now && now.far === far && now.near === near ? [now.card] : [];
      // A translator where none is needed is never better; one that is there may stay.
      const cards = holds ? kept : [...kept, ...translatorsFor(bench, card).map(({ id }) => id)];
      for (const id of new Set(cards)) if (add({ feeds, through: { card: id, near, far } })) holds = true;
    }
  }
  const isNow = ({ wired }: Way) =>
    sameFeeds(choice.feeds, wired.feeds) && wired.through?.card === now?.card && wired.through?.far === now?.far;
  return { node, choice, ways, now: ways.findIndex(isNow) };
}

/** What stands against wiring a part at all: what is left to say about the way that comes nearest. */
export function whatIsWrong(bench: Bench, node: PartNode): Message | null {
  const { choice, card } = node;
  const near = logicRail(bench.standing.wide);
  if (!choice || near === null) return null;
  const found: (readonly Result[])[] = [];
  const look = (way: Omit<Try, 'ownPullUps'>) =>
    found.push(tried(bench, choice.id, { ...way, ownPullUps: false }).wrong);
  const ways = feedsOf({ ...bench, againstRules: true }, node, choice);
  for (const feeds of ways.length > 0 ? ways : [choice.feeds]) {
    look({ feeds, through: null });
    const own = feeds[card.supplies[0]?.id ?? ''];
    for (const far of own === undefined ? [] : farRails(bench, own, near))
      for (const { id } of translatorsFor(bench, card)) look({ feeds, through: { card: id, near, far } });
  }
  const [nearest] = found.filter(({ length }) => length > 0).toSorted((a, b) => a.length - b.length);
  return nearest?.[0]?.message ?? null;
}
