/** What a build is made of, apart from its leads: cards, and resistors by their values. */
import { piecesOf } from '../plan/helpers.ts';
import { multiply } from '../quantity/sum.ts';
import type { Card } from '../card/card.ts';
import type { Offer } from '../card/card-shape.ts';
import type { HouseRules } from '../plan/house-rules.ts';
import { moneyOf, priced } from './currency.ts';
import type { Assorted } from './purchase.ts';
import type { OrderLine } from './order.ts';
import { seriesBetween } from '../standard/e-series.ts';
import type { Circuit } from '../circuit/model.ts';
import { quantityOf, tells, type Text, type Sum, wordOf } from '../quantity/message.ts';
import { perOwner } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface CircuitGoodsSays {
  readonly cable: { part: Text };
  readonly resistors: { pieces: readonly Sum[] };
  readonly board: null;
}

const tell = tells<CircuitGoodsSays>('circuit/goods');

export interface Demand {
  readonly card: string;
  readonly needed: number;
  readonly uses: readonly Text[];
  /** Pieces by kind, where kinds count by themselves: colours of leads. */
  readonly byKind: ReadonlyMap<string, number> | null;
}

export interface ResistorCount {
  readonly ohms: number;
  readonly count: number;
  /** Whether the assortment of the plan has that value. */
  readonly inBox: boolean;
}

/** Gathers demands by card, in the order in which they are first asked for. */
export class Demands {
  private readonly wanted = new Map<string, Omit<Demand, 'card'>>();

  want(
    card: string | null | undefined,
    count: number,
    use: Text,
    byKind: ReadonlyMap<string, number> | null = null,
  ): void {
    if (!card || count === 0) return;
    const old = this.wanted.get(card) ?? { needed: 0, uses: [], byKind: null };
    const known = JSON.stringify(use);
    const uses = old.uses.some((other) => JSON.stringify(other) === known) ? old.uses : [...old.uses, use];
    this.wanted.set(card, { needed: old.needed + count, uses, byKind: byKind ?? old.byKind });
  }
  all(): Demand[] {
    return [...this.wanted].map(([card, demand]) => ({ card, ...demand }));
  }
}

/** The resistors of a plan by value, smallest first. */
export function resistorCounts(circuit: Circuit): ResistorCount[] {
  const counts = new Map<number, number>();
  for (const ohms of circuit.plan.helpers.flatMap((helper) => piecesOf(helper).ohms))
    counts.set(ohms, (counts.get(ohms) ?? 0) + 1);
  const box = circuit.cards.get(circuit.plan.resistors ?? '')?.assortment;
  const has = (ohms: number) =>
    !box ||
    (ohms >= box.from * (1 - 1e-9) &&
      ohms <= box.to * (1 + 1e-9) &&
      seriesBetween(box.series, ohms * 0.999, ohms * 1.001).some((v) => Math.abs(v - ohms) < ohms * 1e-6));
  return [...counts].toSorted(([a], [b]) => a - b).map(([ohms, count]) => ({ ohms, count, inBox: has(ohms) }));
}

/** Pieces in a box of resistors; 1 where the card is of single ones. */
const boxSize = perOwner(({ assortment: box }: Card): number =>
  box ? box.each * seriesBetween(box.series, box.from, box.to).length : 1,
);

/** Everything but leads, joints and headers. Boxes of resistors count by the value that is needed most. */
export function goodsOf(circuit: Circuit): Demands {
  const { plan } = circuit;
  const demands = new Demands();
  for (const part of plan.parts) if (part.fittedOn === undefined) demands.want(part.card, 1, part.label);
  for (const helper of plan.helpers)
    for (const card of piecesOf(helper).cards) demands.want(card, 1, wordOf('helper', helper.kind));
  const resistors = resistorCounts(circuit);
  const each = circuit.cards.get(plan.resistors ?? '')?.assortment?.each;
  const boxes = each
    ? Math.max(0, ...resistors.map(({ count }) => Math.ceil(count / each)))
    : resistors.reduce((sum, { count }) => sum + count, 0);
  demands.want(
    plan.resistors,
    boxes,
    tell('resistors', { pieces: resistors.map(({ ohms, count }) => multiply(count, quantityOf(ohms, 'Ω'))) }),
  );
  for (const board of plan.boards) demands.want(board, 1, tell('board'));
  for (const [part, { card, own }] of circuit.cables)
    if (!own && card) demands.want(card.id, 1, tell('cable', { part: circuit.parts.get(part)?.label ?? part }));
  return demands;
}

/** Offers that the house rule for soldering leaves; all of them where nobody sells it otherwise. */
function offersOf(offers: readonly Offer[], rule: HouseRules['soldering']): readonly Offer[] {
  const plain = offers.filter(({ soldering }) => !soldering);
  return rule === 'none' && plain.length > 0 ? plain : offers;
}

/** A card that is needed, and what of it is in the drawer already. */
export interface Wanted {
  readonly card: Card;
  readonly needed: number;
  readonly inDrawer: number;
  readonly uses: readonly Text[];
  /** What is to be bought; null where nothing is, or nobody offers it. */
  readonly line: OrderLine | null;
  /** Currencies of offers that no rate is known for. */
  readonly unpriced: readonly string[];
}

/** What is missing of each kind, where a pack holds as many of each; kinds that no pack has are taken from what is over. */
function missingKinds(card: Card, byKind: Demand['byKind'], have: number): Assorted | null {
  const kinds = card.lead?.colours;
  if (!kinds || !byKind) return null;
  const each = kinds.map((kind) => Math.max(0, (byKind.get(kind) ?? 0) - Math.floor(have / kinds.length)));
  return { kinds: kinds.length, each: each.filter((n) => n > 0) };
}

/** Demands less the drawer. A started box of resistors counts as a box, and a box is bought as one piece. */
export function wantedOf(circuit: Circuit, demands: Demands): Wanted[] {
  const { stock, rules } = circuit.plan;
  const money = moneyOf(circuit.plan);
  return demands.all().flatMap(({ card: id, needed, uses, byKind }): Wanted[] => {
    const card = circuit.cards.get(id);
    if (!card) return [];
    const have = card.assortment ? Math.ceil((stock[id] ?? 0) / boxSize(card)) : (stock[id] ?? 0);
    const assorted = missingKinds(card, byKind, have);
    // Of each colour the drawer has its share; what it lacks of one is bought, whatever is over of the others.
    const pieces = Math.max(needed - have, 0, ...(assorted ? [assorted.each.reduce((sum, n) => sum + n, 0)] : []));
    const inDrawer = needed - pieces;
    const known = priced(card.offers, money);
    const sold = offersOf(known.offers, rules.soldering);
    const offers = card.assortment ? sold.map((offer) => ({ ...offer, pack: 1 })) : sold;
    const line = pieces > 0 && offers.length > 0 ? { id, pieces, offers, ...(assorted ? { assorted } : {}) } : null;
    return [{ card, needed, inDrawer, uses, line, unpriced: pieces > 0 ? known.unpriced : [] }];
  });
}
