/** Ways out for what a place or a neighbour does to a part. */
import { changePart, setRun } from '../plan/edits.ts';
import { swapCard } from '../plan/swap.ts';
import { toInterval } from '../card/to-interval.ts';
import { YEAR } from '../quantity/span.ts';
import type { Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';
import { tells, type Text } from '../quantity/message.ts';
import { placeIn } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyBodySays {
  readonly putLeadCmAway: { part: Text; away: number; otherPart: Text };
  readonly putUnderShieldAir: { place: Text };
  readonly putWhereSunNever: { place: Text };
  readonly takeAs: { card: Text; part: Text };
  readonly takeLeadsM: { lead: number; part: Text };
  readonly haveTime: { part: Text; share: number };
}

const tell = tells<RemedyBodySays>('remedy/body');

/** Far enough from anything on the board, m: common practice. */
const AWAY = 0.3;

/** On a lead, away from what warms it. */
export const warmRemedies: Proposer = ({ circuit, finding }) => {
  const part = circuit.parts.get(finding.subjects[0] ?? '');
  const beside = part?.choice?.beside;
  if (!part || !beside) return [];
  return [
    {
      id: `away:${part.id}`,
      title: tell('putLeadCmAway', {
        part: part.label,
        away: AWAY * 100,
        otherPart: circuit.parts.get(beside.part)?.label ?? beside.part,
      }),
      plan: changePart(circuit.plan, part.id, ({ beside: _beside, ...rest }) => ({
        ...rest,
        lead: Math.max(AWAY, rest.lead ?? 0),
      })),
    },
  ];
};

/** A shield, or the shade. */
export const sunRemedies: Proposer = ({ circuit, finding }) => {
  const name = placeIn(finding.subjects[1]);
  const place = circuit.plan.places.find((p) => p.name === name);
  if (!place) return [];
  return (['shield', 'shade'] as const).map((sun) => ({
    id: `sun:${place.name}:${sun}`,
    title:
      sun === 'shield'
        ? tell('putUnderShieldAir', { place: place.name })
        : tell('putWhereSunNever', { place: place.name }),
    plan: { ...circuit.plan, places: circuit.plan.places.map((p) => (p === place ? { ...p, sun } : p)) },
  }));
};

/** Another card that stands the place. */
export const placeRemedies: Proposer = ({ circuit, finding, library }) => {
  const part = circuit.parts.get(finding.subjects[0] ?? '');
  if (!part) return [];
  return rivals(circuit, library, part)
    .slice(0, 6)
    .map((card) => ({
      id: `card:${part.id}:${card.id}`,
      title: tell('takeAs', { card: card.name, part: part.label }),
      plan: swapCard(circuit.plan, part.id, part.card, card),
    }));
};

export const reachRemedies: Proposer = ({ circuit, finding }) => {
  const part = circuit.parts.get(finding.subjects[0] ?? '');
  if (!part || finding.limit === null || finding.measured === null) return [];
  const lead = Number(((part.choice?.lead ?? 0) + finding.limit - finding.measured).toFixed(3));
  return [
    {
      id: `lead:${part.id}:${lead}`,
      title: tell('takeLeadsM', { lead, part: part.label }),
      plan: changePart(circuit.plan, part.id, (choice) => ({ ...choice, lead })),
    },
  ];
};

/** Lit for a share of the time only. */
export const wearRemedies: Proposer = ({ circuit, finding }) => {
  const part = circuit.parts.get(finding.subjects[0] ?? '');
  const life = part?.card.body?.wear?.life;
  if (!part || !life) return [];
  const share = Math.floor((toInterval(life).min / (circuit.plan.lifeYears * YEAR)) * 1000) / 1000;
  return share > 0 && share < 1
    ? [
        {
          id: `duty:${part.id}:${share}`,
          title: tell('haveTime', { part: part.label, share: Number((share * 100).toFixed(1)) }),
          plan: setRun(circuit.plan, part.id, { duty: share }),
        },
      ]
    : [];
};
