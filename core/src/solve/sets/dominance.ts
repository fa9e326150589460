/** When one partial set makes another needless: whatever completes the other completes it, too, and to nothing worse. */
import type { Offer } from '../../card/card-shape.ts';
import { goodsOf } from './goods.ts';
import type { Later } from './later.ts';
import type { Partial } from './partial.ts';
import { perOwner, fewOfOwner } from '../../quantity/memo.ts';

const EPSILON = 1e-9;

/** True when every completion of `b` is matched by one of `a` that is in nothing worse. Both have decided the same needs. */
export function dominates(a: Partial, b: Partial, later: Later): boolean {
  const [x, y] = [a.is, b.is];
  // The cheap comparisons first: most pairs part here.
  if (x.goods > y.goods + EPSILON || x.current > y.current + 1e-15 || x.error > y.error + 1e-12) return false;
  if (x.rows > y.rows || x.arrival > y.arrival || x.buses > y.buses) return false;
  if (x.coils > y.coils || x.lines > y.lines || (x.translatedBus && !y.translatedBus)) return false;
  let cost = x.goods + unevenness(x.pieces, y.pieces, later, a.problem.sure);
  // Shipping that only `a` has paid for is lost when nothing else comes from there.
  for (const [supplier, shipping] of x.shipping) cost += Math.max(0, shipping - (y.shipping.get(supplier) ?? 0));
  if (cost > y.goods + EPSILON) return false;
  if (!sharesAsMuch(a, b, later)) return false;
  if (later.pins && !asksNoMore(a, b)) return false;
  return addressesEasier(a, b, later);
}

/** By how much more further pieces can cost after `a` than after `b`: packs that are open here and not there. */
function unevenness(a: ReadonlyMap<Offer, number>, b: ReadonlyMap<Offer, number>, later: Later, sure: number): number {
  let gap = 0;
  const count = (offer: Offer) => {
    const [x, y] = [a.get(offer) ?? 0, b.get(offer) ?? 0];
    if (x === y || !later.uneven.has(offer)) return;
    let most = 0;
    for (let more = 1; more <= later.left; more++)
      most = Math.max(most, added(offer, x, more, sure) - added(offer, y, more, sure));
    gap += most;
  };
  if (later.uneven.size === 0) return 0;
  for (const offer of a.keys()) count(offer);
  for (const offer of b.keys()) if (!a.has(offer)) count(offer);
  return gap;
}

const added = (offer: Offer, count: number, more: number, sure: number): number =>
  goodsOf(offer, count + more, sure) - goodsOf(offer, count, sure);

/**
 * The parts that a later need of their place could share are the same in both. One more in `a` would not do: a card
 * that stands there can no longer be bought for another offer.
 */
function sharesAsMuch(a: Partial, b: Partial, later: Later): boolean {
  const open = ({ is }: Partial) =>
    is.parts.filter((p) => p.place === later.place && later.cards.has(p.option.card.id));
  const [ours, theirs] = [open(a), open(b)];
  return (
    ours.length === theirs.length &&
    theirs.every((part) =>
      ours.some(
        (other) =>
          other.option.card === part.option.card &&
          other.option.offer === part.option.offer &&
          other.needs.join() === part.needs.join(),
      ),
    )
  );
}

/** Every line that `a` asks of the pins `b` asks as well. */
function asksNoMore(a: Partial, b: Partial): boolean {
  const [x, y] = [asksOf(a), asksOf(b)];
  for (const [ask, count] of x) if (count > (y.get(ask) ?? 0)) return false;
  return true;
}

const asksOf = perOwner((state: Partial): ReadonlyMap<string, number> => {
  const counts = new Map<string, number>();
  const add = (key: string, by = 1) => counts.set(key, (counts.get(key) ?? 0) + by);
  for (const { option } of state.is.parts) {
    const groups = new Map<string, string>();
    for (const { ask, group } of option.demand.asks) {
      if (group === null) add(ask);
      else groups.set(group, `${groups.get(group) ?? ''} ${ask}`);
    }
    for (const asks of groups.values()) add(asks);
    if (option.demand.coils > 0) add('coil', option.demand.coils);
  }
  if (state.is.parts.some(({ option }) => option.demand.oneWire)) add('one-wire');
  if (state.is.parts.some(({ option }) => option.demand.spi)) add('spi');
  return counts;
});

/** Each port of `a` that later ones can meet has a port of `b` to itself whose addresses it has all: `b`'s settings do for `a`. */
function addressesEasier(a: Partial, b: Partial, later: Later): boolean {
  const ours = relevant(a, later);
  if (ours.length === 0) return true;
  const theirs = relevant(b, later);
  const holder = new Map<number, number>();
  const place = (i: number, seen: Set<number>): boolean =>
    theirs.some((item, k) => {
      if (seen.has(k) || !item.every((address) => ours[i]?.includes(address))) return false;
      seen.add(k);
      const old = holder.get(k);
      if (old !== undefined && !place(old, seen)) return false;
      holder.set(k, i);
      return true;
    });
  return ours.length <= theirs.length && ours.every((_, i) => place(i, new Set()));
}

/** Ports whose addresses a later one can meet, directly or through others that would have to move. */
const relevant = (state: Partial, later: Later): (readonly number[])[] =>
  later.addresses.size === 0 ? [] : metLater(state, [later]);

/** A state is only ever asked about the needs that follow its own. */
const metLater = fewOfOwner((state: Partial, [later]: readonly [Later]): (readonly number[])[] => {
  const items = state.is.parts.flatMap(({ option }) => option.demand.addresses);
  const reach = new Set(later.addresses);
  const inside = new Set<number>();
  for (let grown = true; grown;) {
    grown = false;
    items.forEach((item, i) => {
      if (inside.has(i) || !item.some((address) => reach.has(address))) return;
      inside.add(i);
      for (const address of item) reach.add(address);
      grown = true;
    });
  }
  return items.filter((_, i) => inside.has(i));
});
