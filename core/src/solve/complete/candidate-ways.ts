/** What a part might be fed from and stand behind, before any of it is tried. */
import { cheapestFirst } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import { isTwoWay } from '../../card/protocol.ts';
import { toInterval } from '../../card/to-interval.ts';
import { FIVE_VOLTS, NEAR_RAIL } from '../../check/level-feed-rule.ts';
import { mightFeed } from '../../check/supply-range.ts';
import { takesLeads } from '../../circuit/cable.ts';
import { maySupply } from '../../circuit/charger.ts';
import type { PartNode, Rail } from '../../circuit/model.ts';
import type { PartChoice } from '../../plan/plan.ts';
import { within } from '../../quantity/interval.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import type { Bench } from './alone.ts';

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

/** Rails that a part's first supply can have; the others keep theirs, or get what fits. */
export function feedsOf(bench: Bench, { card }: PartNode, choice: PartChoice): Record<string, string>[] {
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
export function translatorsFor({ library, circuit }: Bench, card: Card): Card[] {
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

/**
 * Rails that the far side of a translator may stand on: the part's own first, then one of each other voltage, for parts that speak
 * lower levels than they are fed with.
 */
export function farRails({ standing }: Bench, own: string, near: string): string[] {
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

export const sameFeeds = (a: Readonly<Record<string, string>>, b: Readonly<Record<string, string>>): boolean =>
  Object.keys(b).every((supply) => a[supply] === b[supply]);
