/** Ways out where parts have no room, sit in the wrong socket, or have to be soldered. */
import { setBoards, setOn, setRules, setSpot } from '../plan/edits.ts';
import { swapCard } from '../plan/swap.ts';
import { rivals } from './rivals.ts';
import type { Proposer } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface RemedyRoomSays {
  readonly takeOutSocketWire: { label: Text };
  readonly letBePlacedAnew: { label: Text };
  readonly take: { name: Text };
  readonly takeAs: { card: Text; part: Text };
  readonly takeSolderingWhereCheaper: null;
}

const tell = tells<RemedyRoomSays>('remedy/room');

/** Cards that are offered at most. */
const MOST = 6;

/** Out of the socket, out of the way, or onto a longer board. */
export const roomRemedies: Proposer = ({ circuit, finding, library }) => {
  const { plan } = circuit;
  const label = (id: string) => circuit.parts.get(id)?.label ?? id;
  const [first = ''] = finding.subjects;
  if (circuit.parts.get(first)?.choice?.on)
    return [
      {
        id: `leads:${first}`,
        title: tell('takeOutSocketWire', { label: label(first) }),
        plan: setOn(plan, first, null),
      },
    ];
  const put = finding.subjects.filter((id) => plan.spots?.[id]);
  if (put.length > 0)
    return put.map((id) => ({
      id: `free:${id}`,
      title: tell('letBePlacedAnew', { label: label(id) }),
      plan: setSpot(plan, id, null),
    }));
  const longest = Math.max(0, ...plan.boards.map((id) => circuit.cards.get(id)?.board?.rows ?? 0));
  return [...library.values()]
    .filter(({ board }) => (board?.rows ?? 0) > longest)
    .slice(0, MOST)
    .map(({ id, name }) => ({
      id: `board:${id}`,
      title: tell('take', { name }),
      plan: setBoards(plan, [id, ...plan.boards.slice(1)]),
    }));
};

/** Another card of the class, or the other house rule. */
export const solderRemedies: Proposer = ({ circuit, finding, library }) => {
  const part = finding.subjects.map((id) => circuit.parts.get(id)).find((node) => node !== undefined);
  const cards = part
    ? rivals(circuit, library, part)
        .slice(0, MOST)
        .map((card) => ({
          id: `card:${part.id}:${card.id}`,
          title: tell('takeAs', { card: card.name, part: part.label }),
          plan: swapCard(circuit.plan, part.id, part.card, card),
        }))
    : [];
  return [
    ...cards,
    {
      id: 'solder',
      title: tell('takeSolderingWhereCheaper'),
      plan: setRules(circuit.plan, { soldering: 'cheapest' }),
    },
  ];
};
