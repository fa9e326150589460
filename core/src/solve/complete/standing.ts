/** What stands before anything is decided: sources, regulators and the controller, and what might be added to them. */
import { toInterval } from '../../card/to-interval.ts';
import type { Card, Supply } from '../../card/card.ts';
import type { Library } from '../../card/library.ts';
import type { Circuit } from '../../circuit/circuit.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import { cheapestFirst, piecePrice } from '../../plan/cost.ts';
import { documentOf } from '../../plan/document.ts';
import { freeId, setFeed } from '../../plan/edits.ts';
import type { PartChoice, Plan } from '../../plan/plan.ts';
import { drawOf } from '../../circuit/draw.ts';
import { highest } from '../../quantity/steps.ts';
import { spread, within, type Interval } from '../../quantity/interval.ts';
import { bestFeed } from '../add-part.ts';

/** A part that makes rails for others. A load switch passes one on, but only while a pin says so. */
export const isStanding = (card: Card): boolean => (card.rails ?? []).some((rail) => !rail.switch);

/** A regulator that is not there yet. */
export interface Extra {
  readonly part: PartChoice;
  /** "part.rail" of what it offers. */
  readonly rail: string;
  /** What feeds it. */
  readonly input: string;
  readonly cents: number;
}

export interface Standing {
  /** The plan with standing parts alone, all fed as far as can be. */
  readonly plan: Plan;
  readonly circuit: Circuit;
  /** The same with every regulator that might be added. */
  readonly wide: Circuit;
  readonly extras: readonly Extra[];
}

/** Kinds of regulators that are tried: the cheapest of each output. */
const MOST_EXTRAS = 4;

/** A source or regulator for a supply that no rail suits: the strongest, and of those alike the cheapest. */
function sourceFor(circuit: Circuit, library: Library, supply: Supply, of: string): PartChoice | null {
  const range = toInterval(supply.range);
  const { buying } = circuit.plan.rules;
  const limit = (card: Card) => toInterval(card.rails?.[0]?.limit ?? { typ: 0 }).min;
  const able = cheapestFirst([...library.values()], buying)
    .filter(
      ({ kind, rails }) => kind === 'source' && rails?.[0]?.voltage && within(toInterval(rails[0].voltage), range),
    )
    .sort((a, b) => limit(b) - limit(a));
  const [card] = able;
  if (!card) return null;
  const id = freeId(circuit.plan, `supply-of-${of}`);
  return { id, card: card.id, label: card.name, needs: [], feeds: {}, ports: {}, opened: [] };
}

/**
 * Feeds of standing parts that lead nowhere, or where too little arrives, are found anew; what is fed well stays. The
 * controller gets a source of its own where no rail suits it. Judged with everything that hangs on it.
 */
function fed(whole: Plan, derive: (plan: Plan) => Circuit, library: Library): Plan {
  return whole.parts.reduce((p, part) => {
    const card = derive(p).parts.get(part.id)?.card;
    if (!card || !isStanding(card)) return p;
    return card.supplies.reduce((q, supply) => refed(q, derive, library, part, card, supply), p);
  }, whole);
}

function refed(
  plan: Plan,
  derive: (plan: Plan) => Circuit,
  library: Library,
  part: PartChoice,
  card: Card,
  supply: Supply,
): Plan {
  const range = toInterval(supply.range);
  const arrives = (candidate: Plan) => {
    const volts = derive(candidate).feeds.get(`${part.id}.${supply.id}`)?.voltage;
    return volts !== null && volts !== undefined && within(volts, range);
  };
  if (arrives(plan)) return plan;
  const now = derive(plan);
  const others = [...now.rails.values()].filter(
    (rail) => rail.part !== part.id && rail.switches.length === 0 && rail.voltage && within(rail.voltage, range),
  );
  // The rail that the rules would take first comes first.
  const best = bestFeed({ ...now, controller: null, rails: new Map(others.map((rail) => [rail.ref, rail])) }, supply);
  const refs = [...new Set([...(best ? [best] : []), ...others.map(({ ref }) => ref)])];
  for (const ref of refs) {
    const candidate = setFeed(plan, part.id, supply.id, ref);
    if (arrives(candidate)) return candidate;
  }
  const source = card.controller ? sourceFor(now, library, supply, part.id) : null;
  const offer = source && library.get(source.card)?.rails?.[0];
  if (!source || !offer) return plan;
  return setFeed({ ...plan, parts: [...plan.parts, source] }, part.id, supply.id, `${source.id}.${offer.id}`);
}

/**
 * @param circuit of the whole plan
 * @param library every card that may be taken
 */
export function standingOf(circuit: Circuit, library: Library): Standing {
  const derive = (plan: Plan) => deriveCircuit(documentOf(plan, circuit.cards.values(), library));
  const whole = fed(circuit.plan, derive, library);
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
  const extras = extraRegulators(standing, library, wanted(circuit));
  const wide = derive({ ...plan, parts: [...plan.parts, ...extras.map(({ part }) => part)] });
  return { plan, circuit: standing, wide, extras };
}

/** What all parts of a plan together could draw at a voltage, A at the peak: more than that no rail has to give. */
function wanted(circuit: Circuit): (volts: Interval) => number {
  const loads = [...circuit.parts.values()].filter(({ card, helper }) => !helper && !isStanding(card));
  return (volts) =>
    loads.reduce((sum, { card }) => {
      const fitting = card.supplies.filter((supply) => within(volts, toInterval(supply.range)));
      return sum + fitting.reduce((amps, supply) => amps + highest(drawOf(supply.current).surge), 0);
    }, 0);
}

/** True where a rail of this voltage is there that carries all that could ever hang on it. */
function suffices(circuit: Circuit, volts: Interval, draw: (volts: Interval) => number): boolean {
  return [...circuit.rails.values()].some((rail) => {
    if (!rail.voltage || rail.switches.length > 0 || !within(rail.voltage, spread(volts.typ, ALIKE))) return false;
    const spare = toInterval(rail.offer.limit).min * circuit.plan.rules.derating - rail.peak;
    return draw(rail.voltage) + PULL_UPS <= spare;
  });
}

/** Rails that differ by no more than this share are of one voltage. */
const ALIKE = 0.06;
/** Room for resistors and lights that are no part of their own, A. */
const PULL_UPS = 0.03;

/** Regulators that could stand beside what is there: for each output voltage the cheapest card and input that suit. */
function extraRegulators(circuit: Circuit, library: Library, draw: (volts: Interval) => number): Extra[] {
  const { buying } = circuit.plan.rules;
  const found: Extra[] = [];
  const outputs = new Map<string, number>();
  const regulators = cheapestFirst(
    [...library.values()].filter(({ kind }) => kind === 'regulator'),
    buying,
  );
  for (const card of regulators) {
    const [offer] = card.rails ?? [];
    const [supply] = card.supplies;
    if (!offer?.voltage || !supply || card.supplies.length > 1) continue;
    if (suffices(circuit, toInterval(offer.voltage), draw)) continue;
    for (const input of circuit.rails.values()) {
      if (!input.voltage || input.switches.length > 0 || !within(input.voltage, toInterval(supply.range))) continue;
      // From the controller's own regulator nothing is gained.
      if (input.part === circuit.controller?.id && input.offer.from?.by !== 'pass') continue;
      const key = `${toInterval(offer.voltage).typ.toFixed(1)} ${toInterval(offer.limit).min}`;
      const count = outputs.get(key) ?? 0;
      if (count > 0 || found.length >= MOST_EXTRAS) continue;
      outputs.set(key, count + 1);
      const id = freeId(
        { ...circuit.plan, parts: [...circuit.plan.parts, ...found.map(({ part }) => part)] },
        'regulator',
      );
      const part: PartChoice = {
        id,
        card: card.id,
        label: `${offer.name} regulator for the sensors`.slice(0, 60),
        needs: [],
        feeds: { [supply.id]: input.ref },
        ports: {},
        opened: [],
      };
      found.push({
        part,
        rail: `${id}.${offer.id}`,
        input: input.ref,
        cents: Math.round(piecePrice(card, buying) * 100),
      });
    }
  }
  return found;
}
