/** Ways out for what the supply checks find. */
import { isSteady } from '../card/source.ts';
import { buyingOf } from '../buy/currency.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { addHelper, changePart, freeId, setFeed, setRules } from '../plan/edits.ts';
import { swapCard } from '../plan/swap.ts';
import { cheapestFirst } from '../buy/cost.ts';
import { meetings } from '../check/supply-back-feed.ts';
import { within } from '../quantity/interval.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { LEAD_SHARE } from '../standard/common-practice.ts';
import { commonGround, otherFeeds, railRemedies, unloading } from './power.ts';
import type { Candidate, Context, Proposer } from './remedy.ts';
import { otherPacks, otherRegulators, renameRail, savers } from './save-charge.ts';
import { stagger } from './stagger.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { keyOf, ownerOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedySupplySays {
  readonly letPartsWorkOne: { count: number; after: Quantity };
  readonly takeAs: { card: Text; part: Text };
  readonly feedFrom: { fed: readonly Text[]; other: Text };
  readonly letPinsFeedParts: { share: number };
  readonly putBetween: { diode: Text; label: Text; otherLabel: Text };
  readonly letFeedNothingStay: { label: Text; otherLabel: Text };
  readonly joinGrounds: { subjects: readonly Text[] };
  readonly putBefore: { card: Text; rail: Text; node: Text };
  readonly takeLeadsGauge: { gauge: number; label: Text };
}

const tell = tells<RemedySupplySays>('remedy/supply');

const labelOf = (circuit: Circuit, part: string): Text => circuit.parts.get(part)?.label ?? part;

/** Work one after the other. */
const staggerRemedies: Proposer = ({ circuit, finding }) => {
  const rail = finding.subjects[0] ?? '';
  const order = circuit.rails.has(rail) ? stagger(circuit, rail) : null;
  return order
    ? [
        {
          id: `stagger:${rail}`,
          title: tell('letPartsWorkOne', {
            count: [...order.begins.keys()].length,
            after: quantityOf(order.after, 'A'),
          }),
          plan: order.plan,
        },
      ]
    : [];
};

export const railCurrentRemedies: Proposer = (context) => [...railRemedies(context), ...staggerRemedies(context)];

/** Another source of the same voltage that gives more. */
function strongerSources({ circuit, finding, library }: Context): Candidate[] {
  const rail = circuit.rails.get(finding.subjects[0] ?? '');
  const part = circuit.parts.get(rail?.part ?? '');
  if (!rail?.voltage || !part) return [];
  const { typ } = rail.voltage;
  return cheapestFirst([...library.values()], buyingOf(circuit.plan)).flatMap((card) => {
    const offer = card.rails?.[0];
    if (!isSteady(card) || card.id === part.card.id || !offer?.voltage) return [];
    const same = Math.abs(toInterval(offer.voltage).typ - typ) < 0.1 * typ;
    const enough = toInterval(offer.limit).min * circuit.plan.rules.derating >= rail.peak;
    if (!same || !enough) return [];
    const plan = renameRail(swapCard(circuit.plan, part.id, part.card, card), rail.ref, keyOf(part.id, offer.id));
    return [{ id: `card:${part.id}:${card.id}`, title: tell('takeAs', { card: card.name, part: part.label }), plan }];
  });
}

export const sourceCurrentRemedies: Proposer = (context) => [
  ...strongerSources(context),
  ...staggerRemedies(context),
  ...railRemedies(context),
];

/** A regulator that needs less, or another rail before it. */
export const dropoutRemedies: Proposer = ({ circuit, finding, library }) => {
  const rail = circuit.rails.get(finding.subjects[0] ?? '');
  const part = circuit.parts.get(rail?.part ?? '');
  const feed = rail?.offer.from && circuit.feeds.get(keyOf(rail.part, rail.offer.from.supply));
  if (!part || !feed) return [];
  return [...otherRegulators(circuit, library, part), ...otherFeeds(circuit, feed)];
};

/** Another kind of regulator, a lower input, or a part of its load elsewhere. */
export const heatRemedies: Proposer = (context) => {
  const { circuit, finding, library } = context;
  const rail = circuit.rails.get(finding.subjects[0] ?? '');
  const part = circuit.parts.get(rail?.part ?? '');
  const feed = rail?.offer.from && circuit.feeds.get(keyOf(rail.part, rail.offer.from.supply));
  if (!rail || !part || !feed) return [];
  return [...otherRegulators(circuit, library, part), ...otherFeeds(circuit, feed), ...unloading(context, rail)];
};

/** Back on the logic rail, or the house rule as it is meant. */
export const pinFedRemedies: Proposer = ({ circuit, finding }) => {
  const rail = circuit.rails.get(finding.subjects[0] ?? '');
  if (!rail) return [];
  const fed = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref);
  const back = [...circuit.rails.values()]
    .filter((other) => {
      const { voltage } = other;
      return (
        !other.pin &&
        other.switches.length === 0 &&
        voltage !== null &&
        fed.every(({ supply }) => within(voltage, toInterval(supply.range)))
      );
    })
    .map((other) => ({
      id: `feeds:${rail.ref}:${other.ref}`,
      title: tell('feedFrom', { fed: fed.map(({ part }) => labelOf(circuit, part)), other: other.label }),
      plan: fed.reduce((plan, { part, supply }) => setFeed(plan, part, supply.id, other.ref), circuit.plan),
    }));
  const share = Math.min(1, Math.ceil((rail.peak / (toInterval(rail.offer.limit).min || 1)) * 10) / 10);
  return [...back, ...(circuit.plan.rules.pinPower < share ? [pinPowerRule(circuit, share)] : [])];
};

const pinPowerRule = (circuit: Circuit, share: number): Candidate => ({
  id: `rule:pinPower:${share}`,
  title: tell('letPinsFeedParts', { share: share * 100 }),
  plan: setRules(circuit.plan, { pinPower: share }),
});

/** Ground where all have it, or the house rule as it is meant. */
export const pinGroundRemedies: Proposer = ({ circuit, finding }) => {
  const [pin = '', ...parts] = finding.subjects;
  const standing = parts.filter((id) => circuit.parts.get(id)?.choice?.ground === pin);
  const limits = circuit.controller?.card.controller?.pinCurrent;
  const recommended = limits ? toInterval(limits.recommended).min : 0;
  const share = Math.ceil(((finding.measured ?? Infinity) / (recommended || 1)) * 10) / 10;
  return [
    commonGround(circuit, standing),
    ...(share <= 1 && circuit.plan.rules.pinPower < share ? [pinPowerRule(circuit, share)] : []),
  ];
};

/** A diode in the lead of the one or the other, or a programmer that brings no supply. */
export const programmingRemedies: Proposer = ({ circuit, finding, library }) => {
  const [fed = '', rail = '', other = ''] = finding.subjects;
  const { part, own: supply = '' } = parseRef(fed);
  const label = (ref: string) => circuit.plan.parts.find(({ id }) => id === ownerOf(ref))?.label ?? ref;
  if (finding.severity !== 'caution') return [];
  const diode = cheapestFirst([...library.values()], buyingOf(circuit.plan)).find(({ kind }) => kind === 'diode');
  return [
    ...(diode
      ? [rail, other].map((ref) => ({
          id: `guard:${fed}:${ref}`,
          title: tell('putBetween', { diode: diode.name, label: label(ref), otherLabel: labelOf(circuit, part) }),
          plan: addHelper(circuit.plan, {
            id: freeId(circuit.plan, 'guard'),
            kind: 'guard',
            part,
            supply,
            rail: ref,
            card: diode.id,
          }),
        }))
      : []),
    {
      id: `lines-only:${fed}`,
      title: tell('letFeedNothingStay', { label: label(rail), otherLabel: label(other) }),
      plan: changePart(circuit.plan, part, ({ also, ...rest }) => {
        const left = Object.entries(also ?? {}).filter(([id]) => id !== supply);
        return left.length > 0 ? { ...rest, also: Object.fromEntries(left) } : rest;
      }),
    },
  ];
};

export const groundRemedies: Proposer = ({ circuit, finding }) => [
  {
    id: `ground:${finding.subjects.join('+')}`,
    title: tell('joinGrounds', { subjects: finding.subjects.map((id) => labelOf(circuit, id)) }),
    plan: finding.subjects.reduce(
      (plan, part) => changePart(plan, part, ({ apart: _apart, ...rest }) => rest),
      circuit.plan,
    ),
  },
];

/** A diode or a switch before each that stands there straight, but for one. */
export const backFeedRemedies: Proposer = ({ circuit, finding, library }) => {
  const { part, own: supply = '' } = parseRef(finding.subjects[0]);
  const node = circuit.parts.get(part);
  if (!node) return [];
  const refs = [node.choice?.feeds[supply], node.choice?.also?.[supply]].flatMap((ref) => ref ?? []);
  const straight = meetings(circuit, node, supply).filter(({ by, socket }) => by === 'straight' && !socket);
  return cheapestFirst([...library.values()], buyingOf(circuit.plan))
    .filter(({ kind }) => kind === 'diode' || kind === 'switch')
    .flatMap((card) =>
      refs
        .filter((ref) => straight.some(({ name }) => name === circuit.rails.get(ref)?.label))
        .map((rail) => ({
          id: `guard:${keyOf(part, supply)}:${rail}:${card.id}`,
          title: tell('putBefore', {
            card: card.name,
            rail: circuit.rails.get(rail)?.label ?? rail,
            node: node.label,
          }),
          plan: addHelper(circuit.plan, {
            id: freeId(circuit.plan, `guard-${part}`),
            kind: 'guard',
            part,
            supply,
            rail,
            card: card.id,
          }),
        })),
    );
};

/** Thicker leads, as thick as is sold. */
export const leadRemedies: Proposer = ({ circuit, finding }) => {
  const feed = circuit.feeds.get(finding.subjects[0] ?? '');
  const rail = circuit.rails.get(feed?.rail ?? '');
  if (!feed || !rail?.voltage) return [];
  const allowed = rail.voltage.typ * LEAD_SHARE;
  return [26, 24, 22, 20, 18]
    .filter((gauge) => gauge < feed.lead.gauge)
    .filter((gauge) => feed.peak * 2 * feed.lead.length * gaugeResistance(gauge) <= allowed)
    .slice(0, 2)
    .map((gauge) => ({
      id: `gauge:${feed.part}:${gauge}`,
      title: tell('takeLeadsGauge', { gauge, label: labelOf(circuit, feed.part) }),
      plan: changePart(circuit.plan, feed.part, (part) => ({ ...part, gauge })),
    }));
};

/** What makes the charge last; those that do not are dropped when they are tried. */
export const runtimeRemedies: Proposer = ({ circuit, finding, library }) => {
  const rail = circuit.rails.get(finding.subjects[0] ?? '');
  return rail ? savers(circuit, library, rail) : [];
};

/** A stiffer pack, or a lower peak. */
export const sagRemedies: Proposer = (context) => {
  const { circuit, finding, library } = context;
  const part = circuit.parts.get(circuit.rails.get(finding.subjects[0] ?? '')?.part ?? '');
  return part ? [...otherPacks(circuit, library, part), ...staggerRemedies(context)] : [];
};
