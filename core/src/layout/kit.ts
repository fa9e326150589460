/** Which leads of the kit make up a lead that is wanted. */
import type { Card } from '../card/card.ts';
import type { LeadEnd } from '../card/kinds.ts';
import type { Lead } from '../circuit/laid.ts';

type Ends = readonly [LeadEnd, LeadEnd];

const isEnds = (ends: Ends, a: LeadEnd, b: LeadEnd): boolean =>
  (ends[0] === a && ends[1] === b) || (ends[0] === b && ends[1] === a);

/** A bare end is made by cutting another one off. */
const serves = (card: Card, [a, b]: Ends): boolean => {
  const own = card.lead?.ends;
  if (!own) return false;
  if (a === 'bare' && b === 'bare') return true;
  if (a === 'bare') return own.includes(b);
  if (b === 'bare') return own.includes(a);
  return isEnds(own, a, b);
};

/** The shortest of those that reach, in the order of the plan. */
const reaching = (cards: readonly Card[], ends: Ends, metres: number): Card | undefined =>
  cards
    .filter((card) => serves(card, ends) && (card.lead?.length ?? 0) >= metres - 1e-9)
    .toSorted((a, b) => (a.lead?.length ?? 0) - (b.lead?.length ?? 0))[0];

const longest = (cards: readonly Card[], ends: Ends): Card | undefined =>
  cards.filter((card) => serves(card, ends)).toSorted((a, b) => (b.lead?.length ?? 0) - (a.lead?.length ?? 0))[0];

/**
 * The shortest lead of the kit that reaches; where none does, one with the wanted ends behind as many male-to-female ones as it
 * takes, plugged into each other.
 * @param metres to reach
 * @returns an empty list where the kit has no such ends
 */
export function fromKit(cards: readonly Card[], ends: Ends, metres: number): Lead['kit'] {
  const one = reaching(cards, ends, metres);
  if (one) return [{ card: one.id, pieces: 1 }];
  const last = longest(cards, ends);
  const chain = longest(cards, ['male', 'female']);
  if (!last?.lead) return [];
  if (!chain?.lead) return [{ card: last.id, pieces: 1 }];
  const rest = metres - last.lead.length;
  const links = Math.max(1, Math.ceil(rest / chain.lead.length - 1e-9));
  return chain.id === last.id
    ? [{ card: last.id, pieces: links + 1 }]
    : [
        { card: last.id, pieces: 1 },
        { card: chain.id, pieces: links },
      ];
}
