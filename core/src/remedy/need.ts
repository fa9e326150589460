/** Another card for a part that does not meet its need. */
import { swapCard } from '../plan/swap.ts';
import type { Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';

export const needRemedies: Proposer = ({ circuit, finding, library }) => {
  const part = circuit.parts.get(finding.subjects[1] ?? '');
  if (!part) return [];
  return rivals(circuit, library, part)
    .slice(0, 3)
    .map((card) => ({
      id: `card:${part.id}:${card.id}`,
      title: `Take ${card.name} as ${part.label}`,
      plan: swapCard(circuit.plan, part.id, part.card, card),
    }));
};
