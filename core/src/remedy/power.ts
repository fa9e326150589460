/** Feeding parts from other rails, or from a regulator more. */
import { maySupply } from '../circuit/charger.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import type { Circuit, Feed, Rail } from '../circuit/model.ts';
import { within } from '../quantity/interval.ts';
import { newPart, setFeed, setGround } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';
import { supplyCandidates } from './add-supply.ts';
import { plugCandidates } from './plug.ts';
import type { Candidate, Context, Proposer } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyPowerSays {
  readonly putGroundWhereAll: { parts: readonly Text[] };
  readonly feedFrom: { label: Text; rail: Text };
  readonly feedSeveral: { names: readonly Text[]; other: Text };
  readonly addFedFrom: { card: Text; input: Text; names: readonly Text[] };
}

const tell = tells<RemedyPowerSays>('remedy/power');

const fits = (rail: Rail, feed: Feed): boolean =>
  rail.voltage !== null && within(rail.voltage, toInterval(feed.supply.range));

/** Back from a pin to the ground that all share. */
export const commonGround = (circuit: Circuit, parts: readonly string[]): Candidate => ({
  id: `ground:${parts.join('+')}:common`,
  title: tell('putGroundWhereAll', { parts: parts.map((id) => circuit.parts.get(id)?.label ?? id) }),
  plan: parts.reduce((plan, part) => setGround(plan, part, null), circuit.plan),
});

export const rangeRemedies: Proposer = (context) => {
  const { circuit, finding, library } = context;
  const feed = circuit.feeds.get(finding.subjects[0] ?? '');
  const board = circuit.parts.get(feed?.part ?? '');
  if (!feed || !board) return [];
  return [
    ...(feed.lift > 0 ? [commonGround(circuit, [feed.part])] : []),
    ...plugCandidates(circuit, library, board),
    ...otherFeeds(circuit, feed),
    ...supplyCandidates(context, feed),
  ];
};

/** Every other rail that suits a supply. */
export function otherFeeds(circuit: Circuit, feed: Feed): Candidate[] {
  const part = circuit.parts.get(feed.part);
  const label = part?.label ?? feed.part;
  return [...circuit.rails.values()]
    .filter(
      (rail) =>
        rail.ref !== feed.rail &&
        rail.part !== feed.part &&
        !rail.pin &&
        rail.switches.length === 0 &&
        fits(rail, feed) &&
        (part === undefined || maySupply(circuit, part.card, feed.supply.id, rail)),
    )
    .map((rail) => ({
      id: `feed:${keyOf(feed.part, feed.supply.id)}:${rail.ref}`,
      title: tell('feedFrom', { label, rail: rail.label }),
      plan: setFeed(circuit.plan, feed.part, feed.supply.id, rail.ref),
    }));
}

/** The parts on a rail that could hang elsewhere, the hungriest first. */
function movable(circuit: Circuit, rail: Rail): { feed: Feed; peak: number }[] {
  return [...circuit.feeds.values()]
    .filter((feed) => feed.rail === rail.ref && feed.part !== rail.part && !circuit.parts.get(feed.part)?.helper)
    .map((feed) => ({
      feed,
      peak: rail.loads.filter(({ subject }) => subject === feed.part).reduce((sum, load) => sum + load.peak, 0),
    }))
    .filter(({ peak }) => peak > 0)
    .sort((a, b) => b.peak - a.peak);
}

/** As few of the hungriest as bring the rail back under its limit. */
function enough(circuit: Circuit, rail: Rail): Feed[] {
  let left = rail.peak - toInterval(rail.offer.limit).min * circuit.plan.rules.derating;
  const chosen: Feed[] = [];
  for (const { feed, peak } of movable(circuit, rail)) {
    if (left <= 0) break;
    chosen.push(feed);
    left -= peak;
  }
  return left <= 0 ? chosen : [];
}

const names = (circuit: Circuit, feeds: readonly Feed[]) =>
  feeds.map(({ part }) => circuit.parts.get(part)?.label ?? part);
const refeed = (plan: Plan, feeds: readonly Feed[], rail: string) =>
  feeds.reduce((p, { part, supply }) => setFeed(p, part, supply.id, rail), plan);

export const railRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const rail = circuit.rails.get(finding.subjects[0] ?? '');
  if (!rail) return [];
  return elsewhereOrMore(context, rail, enough(circuit, rail));
};

/** Everything that can be moved off a rail, elsewhere. */
export const unloading = (context: Context, rail: Rail): Candidate[] =>
  elsewhereOrMore(
    context,
    rail,
    movable(context.circuit, rail).map(({ feed }) => feed),
  );

function elsewhereOrMore(context: Context, rail: Rail, feeds: readonly Feed[]): Candidate[] {
  const { circuit } = context;
  const elsewhere = [...circuit.rails.values()]
    .filter(
      (other) =>
        other.ref !== rail.ref &&
        !other.pin &&
        feeds.length > 0 &&
        feeds.every((feed) => other.part !== feed.part && fits(other, feed)),
    )
    .map((other) => ({
      id: `feeds:${rail.ref}:${other.ref}`,
      title: tell('feedSeveral', { names: names(circuit, feeds), other: other.label }),
      plan: refeed(circuit.plan, feeds, other.ref),
    }));
  return [...elsewhere, ...regulators(context, rail, feeds)];
}

/** One more regulator of the same output, fed from a rail that suits it. */
function regulators({ circuit, library }: Context, rail: Rail, feeds: readonly Feed[]): Candidate[] {
  if (feeds.length === 0) return [];
  const found: Candidate[] = [];
  for (const card of library.values()) {
    const offer = card.kind === 'regulator' ? card.rails?.[0] : undefined;
    const supply = card.supplies[0];
    if (
      !offer?.voltage ||
      !supply ||
      !feeds.every((feed) => within(toInterval(offer.voltage ?? { typ: 0 }), toInterval(feed.supply.range)))
    )
      continue;
    if (rail.voltage && Math.abs(toInterval(offer.voltage).typ - rail.voltage.typ) > 0.1 * rail.voltage.typ) continue;
    for (const input of circuit.rails.values()) {
      if (input.ref === rail.ref || !input.voltage || !within(input.voltage, toInterval(supply.range))) continue;
      found.push(addRegulator(circuit, card, supply.id, offer.id, input, feeds));
    }
  }
  return found;
}

function addRegulator(
  circuit: Circuit,
  card: Card,
  supply: string,
  offer: string,
  input: Rail,
  feeds: readonly Feed[],
): Candidate {
  const part = newPart(circuit.plan, card, 'regulator', card.name, { [supply]: input.ref });
  const plan: Plan = { ...circuit.plan, parts: [...circuit.plan.parts, part] };
  return {
    id: `regulator:${card.id}:${input.ref}`,
    title: tell('addFedFrom', { card: card.name, input: input.label, names: names(circuit, feeds) }),
    plan: refeed(plan, feeds, keyOf(part.id, offer)),
  };
}
