/** Ways out for what a place or a neighbour does to a part. */
import { changePart, setRun } from '../plan/edits.ts';
import { swapCard } from '../plan/swap.ts';
import { toInterval } from '../card/to-interval.ts';
import { YEAR } from '../quantity/span.ts';
import type { Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';

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
      title: `Put ${part.label} on a lead of ${AWAY * 100} cm, away from ${circuit.parts.get(beside.part)?.label ?? beside.part}`,
      plan: changePart(circuit.plan, part.id, ({ beside: _beside, ...rest }) => ({
        ...rest,
        lead: Math.max(AWAY, rest.lead ?? 0),
      })),
    },
  ];
};

/** A shield, or the shade. */
export const sunRemedies: Proposer = ({ circuit, finding }) => {
  const name = finding.subjects[1]?.replace(/^place:/, '');
  const place = circuit.plan.places.find((p) => p.name === name);
  if (!place) return [];
  return (['shield', 'shade'] as const).map((sun) => ({
    id: `sun:${place.name}:${sun}`,
    title:
      sun === 'shield'
        ? `Put “${place.name}” under a shield that air blows through`
        : `Put “${place.name}” where the sun never comes`,
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
      title: `Take ${card.name} as ${part.label}`,
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
      title: `Take leads of ${lead} m to ${part.label}`,
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
          title: `Have ${part.label} on for ${Number((share * 100).toFixed(1))} % of the time`,
          plan: setRun(circuit.plan, part.id, { duty: share }),
        },
      ]
    : [];
};
