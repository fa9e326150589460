/** What brings a supply that no rail of the plan gives: shorter or thicker leads, a regulator, an adapter, the rule for supplies. */
import { isSteady } from '../card/source.ts';
import { buyingOf } from '../buy/currency.ts';
import { toInterval } from '../card/to-interval.ts';
import { isFed } from '../check/supply-range.ts';
import type { Card } from '../card/card.ts';
import { takesLeads } from '../circuit/cable.ts';
import type { Circuit, Feed } from '../circuit/model.ts';
import { cheapestFirst } from '../buy/cost.ts';
import { changePart, newPart, setFeed, setRules } from '../plan/edits.ts';
import { within, type Interval } from '../quantity/interval.ts';
import { LEAD_GAUGES, NEARLY_FED } from '../standard/common-practice.ts';
import type { Candidate, Context } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyAddSupplySays {
  readonly takeLeadsGauge: { gauge: number; label: Text };
  readonly takeLeadsCm: { short: number; label: Text };
  readonly addFedFrom: { card: Text; rail: Text; name: Text };
  readonly add: { card: Text; name: Text };
  readonly acceptSuppliesUsuallyInside: { nearlyfed: number };
}

const tell = tells<RemedyAddSupplySays>('remedy/add-supply');

const MOST = 4;
/** A lead no longer than this joins neighbours on a board, m. */
const SHORT = 0.1;

const label = (circuit: Circuit, part: string): Text => circuit.parts.get(part)?.label ?? part;

/** Leads that lose less. */
function leads(circuit: Circuit, feed: Feed): Candidate[] {
  if (feed.by !== 'leads' || feed.rail === null || circuit.parts.get(feed.part)?.choice === null) return [];
  const thicker = LEAD_GAUGES.filter((gauge) => gauge < feed.lead.gauge).map((gauge) => ({
    id: `gauge:${feed.part}:${gauge}`,
    title: tell('takeLeadsGauge', { gauge, label: label(circuit, feed.part) }),
    plan: changePart(circuit.plan, feed.part, (part) => ({ ...part, gauge })),
  }));
  const shorter =
    feed.lead.length > SHORT
      ? [
          {
            id: `lead:${feed.part}:${SHORT}`,
            title: tell('takeLeadsCm', { short: SHORT * 100, label: label(circuit, feed.part) }),
            plan: changePart(circuit.plan, feed.part, (part) => ({ ...part, lead: SHORT })),
          },
        ]
      : [];
  return [...thicker, ...shorter];
}

const suits = (card: Card, range: Interval): boolean => {
  const [offer] = card.rails ?? [];
  return offer?.voltage !== undefined && within(toInterval(offer.voltage), range);
};

/** Regulators and adapters whose output suits. */
function sources({ circuit, library }: Context, feed: Feed): Candidate[] {
  const range = toInterval(feed.supply.range);
  const name = label(circuit, feed.part);
  const cards = cheapestFirst([...library.values()], buyingOf(circuit.plan)).filter((card) => suits(card, range));
  const regulators = cards.flatMap((card): Candidate[] => {
    const [supply] = card.supplies;
    const offer = card.rails?.[0];
    if (card.kind !== 'regulator' || card.supplies.length !== 1 || !supply || !offer) return [];
    return [...circuit.rails.values()]
      .filter(
        (rail) =>
          rail.voltage &&
          !rail.pin &&
          rail.part !== feed.part &&
          rail.switches.length === 0 &&
          takesLeads(circuit, rail) &&
          within(rail.voltage, toInterval(supply.range)),
      )
      .map((rail) => {
        const added = newPart(circuit.plan, card, 'regulator', card.name, { [supply.id]: rail.ref });
        return {
          id: `regulator:${card.id}:${rail.ref}:${feed.part}`,
          title: tell('addFedFrom', { card: card.name, rail: rail.label, name }),
          plan: setFeed(
            { ...circuit.plan, parts: [...circuit.plan.parts, added] },
            feed.part,
            feed.supply.id,
            keyOf(added.id, offer.id),
          ),
        };
      });
  });
  const adapters = cards
    .filter((card) => isSteady(card) && !card.outlet && !card.rails?.[0]?.cells)
    .map((card) => {
      const added = newPart(circuit.plan, card, 'adapter', card.name, {});
      return {
        id: `adapter:${card.id}:${feed.part}`,
        title: tell('add', { card: card.name, name }),
        plan: setFeed(
          { ...circuit.plan, parts: [...circuit.plan.parts, added] },
          feed.part,
          feed.supply.id,
          keyOf(added.id, card.rails?.[0]?.id ?? ''),
        ),
      };
    });
  return [...regulators.slice(0, MOST), ...adapters.slice(0, MOST)];
}

/** The rule for supplies as some makers have it, where it is a little that is missing. */
function rule(circuit: Circuit, feed: Feed): Candidate[] {
  const plan = setRules(circuit.plan, { marginalSupplies: 'working' });
  if (circuit.plan.rules.marginalSupplies === 'working' || !isFed({ ...circuit, plan }, feed)) return [];
  return [
    {
      id: 'rule:marginalSupplies',
      title: tell('acceptSuppliesUsuallyInside', { nearlyfed: NEARLY_FED * 100 }),
      plan,
    },
  ];
}

/** Everything that might bring a supply inside its range. */
export const supplyCandidates = (context: Context, feed: Feed): Candidate[] => [
  ...leads(context.circuit, feed),
  ...sources(context, feed),
  ...rule(context.circuit, feed),
];
