/** From what a build is fed: the sources of each kind, and the one that suits what hangs on it. */
import { cheapestFirst } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import type { Library } from '../../card/library.ts';
import { toInterval } from '../../card/to-interval.ts';
import { emptyPlan } from '../../plan/edits.ts';
import { within, type Interval } from '../../quantity/interval.ts';
import type { Brief, FeedKind } from './brief.ts';

/** What a source is: cells, a socket that a cable goes into, or an adapter with wires. */
export function feedKindOf(card: Card): FeedKind | null {
  if (card.kind !== 'source' || (card.rails ?? []).some(({ panel }) => panel)) return null;
  if ((card.rails ?? []).some(({ cells }) => cells)) return 'cells';
  return (card.rails ?? []).some(({ port, voltage }) => port && voltage) || hasOutlet(card) ? 'socket' : 'adapter';
}

const hasOutlet = (card: Card): boolean => card.headers.some(({ kind }) => kind === 'socket');

/** The voltages that a source gives. */
const voltagesOf = (source: Card): Interval[] =>
  (source.rails ?? []).flatMap(({ voltage }) => (voltage ? [toInterval(voltage)] : []));

/** Those, and what a regulator on sale makes of them. */
export function standingVoltages(source: Card, library: Library): Interval[] {
  const given = voltagesOf(source);
  const made = [...library.values()].flatMap((card) => {
    if (card.kind !== 'regulator') return [];
    const takes = card.supplies.some(({ range }) => given.some((voltage) => within(voltage, toInterval(range))));
    return takes ? voltagesOf(card) : [];
  });
  return [...given, ...made.filter((voltage, i) => made.findIndex(({ typ }) => typ === voltage.typ) === i)];
}

/** Loads that one of the voltages feeds. */
const fed = (loads: readonly Card[], voltages: readonly Interval[]): number =>
  loads.filter(({ supplies }) =>
    supplies.every(({ range }) => voltages.some((voltage) => within(voltage, toInterval(range)))),
  ).length;

/**
 * The source of a brief: its own choice; else, of its kind, the one that feeds most of the loads as it is, then with
 * regulators, then the cheapest that can be had. Null where no card is of the kind.
 */
export function sourceOf(brief: Brief, library: Library): Card | null {
  const chosen = brief.feed.card === null ? undefined : library.get(brief.feed.card);
  if (chosen) return chosen;
  const loads = brief.picks.flatMap((pick) => (pick.kind === 'load' ? (library.get(pick.card) ?? []) : []));
  const isThere = ({ id }: Card): boolean => (brief.stock[id] ?? 0) > 0;
  const [best] = cheapestFirst(
    [...library.values()].filter(
      (card) => feedKindOf(card) === brief.feed.kind && (isThere(card) || card.offers.length > 0),
    ),
    buyingOf(emptyPlan('', '')),
  )
    .map((card) => ({
      card,
      straight: fed(loads, voltagesOf(card)),
      made: fed(loads, standingVoltages(card, library)),
      there: isThere(card),
    }))
    .sort((a, b) => b.straight - a.straight || b.made - a.made || Number(b.there) - Number(a.there));
  return best?.card ?? null;
}
