/** What stands before anything is decided: sources, regulators and the controller, and what might be added to them. */
import { cheapestFirst } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Supply } from '../../card/card-shape.ts';
import type { Card } from '../../card/card.ts';
import { SOCKET } from '../../card/kinds.ts';
import type { Library } from '../../card/library.ts';
import { isStanding, isSteady } from '../../card/source.ts';
import { toInterval } from '../../card/to-interval.ts';
import { isFed } from '../../check/supply-range.ts';
import { endsMeet, plugFits } from '../../circuit/cable.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Circuit } from '../../circuit/model.ts';
import { socketOf } from '../../circuit/socket.ts';
import { documentOf } from '../../plan/document.ts';
import { newPart, setFeed } from '../../plan/edits.ts';
import type { PartChoice, Plan } from '../../plan/plan.ts';
import { keyOf } from '../../plan/ref.ts';
import { within } from '../../quantity/interval.ts';
import { plugIn } from '../../remedy/plug.ts';
import { bestFeed } from '../add-part.ts';
import { type Extra, extraSupplies, loadsOf } from './extras.ts';

export interface Standing {
  /** The plan with standing parts alone, all fed as far as can be. */
  readonly plan: Plan;
  readonly circuit: Circuit;
  /** The same with every regulator that might be added. */
  readonly wide: Circuit;
  readonly extras: readonly Extra[];
}

/** A source for a supply that no rail suits: the strongest, and of those alike the cheapest. */
function sourceFor(circuit: Circuit, library: Library, fits: (card: Card) => boolean, of: string): PartChoice | null {
  const limit = (card: Card) => toInterval(card.rails?.[0]?.limit ?? { typ: 0 }).min;
  const [card] = cheapestFirst([...library.values()], buyingOf(circuit.plan))
    .filter((other) => isSteady(other) && other.rails?.[0]?.voltage && !other.rails[0].cells && fits(other))
    .sort((a, b) => limit(b) - limit(a));
  if (!card) return null;
  return newPart(circuit.plan, card, `supply-of-${of}`, card.name);
}

interface Feeding {
  readonly derive: (plan: Plan) => Circuit;
  readonly library: Library;
}

/**
 * Feeds of standing parts that lead nowhere, or where too little arrives, are found anew; what is fed well stays. The
 * controller takes a cable in its socket first, where a source for one is at hand, and gets a source of its own where no rail
 * suits it. Judged with everything that hangs on it.
 */
function fed(whole: Plan, feeding: Feeding): Plan {
  return whole.parts.reduce((p, part) => {
    const now = feeding.derive(p);
    const node = now.parts.get(part.id);
    if (!node || !isStanding(node.card)) return p;
    if (node.card.controller && socketOf(node.card) && !isFedWell(now, part.id)) {
      const plugged = pluggedIn(p, feeding, part, node.card);
      if (plugged) return plugged;
    }
    return node.card.supplies.reduce((q, supply) => refed(q, feeding, part, node.card, supply), p);
  }, whole);
}

/** True where every supply of a part gets what it asks for. */
function isFedWell(circuit: Circuit, part: string): boolean {
  const supplies = circuit.parts.get(part)?.card.supplies ?? [];
  return supplies.every((supply) => {
    const feed = circuit.feeds.get(keyOf(part, supply.id));
    return feed !== undefined && isFed(circuit, feed);
  });
}

/** The plan with a cable in the socket of a board, from a source of the plan, else from one more; null where neither feeds it. */
function pluggedIn(plan: Plan, { derive, library }: Feeding, part: PartChoice, card: Card): Plan | null {
  const isGood = (candidate: Plan) => isFedWell(derive(candidate), part.id);
  const cards = derive(plan).cards;
  const plug = (p: Plan, ref: string): Plan => {
    const now = derive(p);
    const board = now.parts.get(part.id);
    return board ? plugIn(p, board, ref, library, now.cards) : p;
  };
  for (const source of plan.parts) {
    const own = cards.get(source.card);
    const [offer] = own?.rails ?? [];
    if (!own || !offer || !plugFits(own, card)) continue;
    const candidate = plug(plan, keyOf(source.id, offer.id));
    if (isGood(candidate)) return candidate;
  }
  // What lies on the table is used before anything is bought.
  if (plan.parts.some((other) => cards.get(other.card)?.kind === 'source')) return null;
  const source = sourceFor(derive(plan), library, (other) => plugFits(other, card), part.id);
  const offer = source && library.get(source.card)?.rails?.[0];
  if (!source || !offer) return null;
  const candidate = plug({ ...plan, parts: [...plan.parts, source] }, keyOf(source.id, offer.id));
  return isGood(candidate) ? candidate : null;
}

function refed(plan: Plan, { derive, library }: Feeding, part: PartChoice, card: Card, supply: Supply): Plan {
  const range = toInterval(supply.range);
  const arrives = (candidate: Plan) => {
    const circuit = derive(candidate);
    const feed = circuit.feeds.get(keyOf(part.id, supply.id));
    return feed !== undefined && isFed(circuit, feed);
  };
  if (supply.id === SOCKET || arrives(plan)) return plan;
  const now = derive(plan);
  const others = [...now.rails.values()].filter(
    (rail) =>
      rail.part !== part.id &&
      rail.switches.length === 0 &&
      rail.voltage &&
      within(rail.offer.cells ? { ...rail.voltage, min: rail.voltage.typ } : rail.voltage, range) &&
      endsMeet(now.parts.get(rail.part)?.card, card, supply.id),
  );
  // The rail that the rules would take first comes first.
  const best = bestFeed({ ...now, controller: null, rails: new Map(others.map((rail) => [rail.ref, rail])) }, supply);
  const refs = [...new Set([...(best ? [best] : []), ...others.map(({ ref }) => ref)])];
  for (const ref of refs) {
    const candidate = setFeed(plan, part.id, supply.id, ref);
    if (arrives(candidate)) return candidate;
  }
  const fits = (other: Card) =>
    other.outlet === undefined && within(toInterval(other.rails?.[0]?.voltage ?? { typ: NaN }), range);
  const source = card.controller ? sourceFor(now, library, fits, part.id) : null;
  const offer = source && library.get(source.card)?.rails?.[0];
  if (!source || !offer) return plan;
  return setFeed({ ...plan, parts: [...plan.parts, source] }, part.id, supply.id, keyOf(source.id, offer.id));
}

/**
 * @param circuit of the whole plan
 * @param library every card that may be taken
 */
export function standingOf(circuit: Circuit, library: Library): Standing {
  const derive = (plan: Plan) => deriveCircuit(documentOf(plan, circuit.cards.values(), library));
  const whole = fed(circuit.plan, { derive, library });
  const cardOf = (part: PartChoice) => circuit.parts.get(part.id)?.card ?? library.get(part.card);
  const plan: Plan = {
    ...whole,
    needs: [],
    buses: [],
    helpers: [],
    parts: whole.parts
      .filter((part) => {
        const card = cardOf(part);
        return card !== undefined && (isStanding(card) || card.carrier !== undefined);
      })
      .map((part) => ({ ...part, needs: [] })),
  };
  const standing = derive(plan);
  const extras = extraSupplies(standing, library, loadsOf(circuit));
  const wide = derive({ ...plan, parts: [...plan.parts, ...extras.map(({ part }) => part)] });
  return { plan, circuit: standing, wide, extras };
}
