/** Cables: a source plugged into a board's socket, with the cable that it takes. */
import { buyingOf } from '../buy/currency.ts';
import type { Card } from '../card/card.ts';
import { SOCKET } from '../card/kinds.ts';
import type { Library } from '../card/library.ts';
import { cablesFor, plugFits } from '../circuit/cable.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { isPluggedIn, socketOf } from '../circuit/socket.ts';
import { cheapestFirst } from '../buy/cost.ts';
import { changePart, setFeed } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';
import { ownerOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyPlugSays {
  readonly plugIntoSocket: { source: Text; board: Text };
  readonly take: { cable: Text };
}

const tell = tells<RemedyPlugSays>('remedy/plug');

/** The plan with a cable of this plug among its leads, unless the source brings its own or the plan has one. */
function withCable(plan: Plan, library: readonly Card[], plug: string | undefined, rail: string, cards: Library): Plan {
  const source = plan.parts.find(({ id }) => id === ownerOf(rail));
  const own = cards.get(source?.card ?? '') ?? library.find(({ id }) => id === source?.card);
  const has = plan.leads.flatMap((id) => cards.get(id) ?? library.find((card) => card.id === id) ?? []);
  if (own?.outlet?.plug !== undefined || cablesFor(has, plug).length > 0) return plan;
  const [cable] = cheapestFirst(cablesFor(library, plug), buyingOf(plan));
  return cable ? { ...plan, leads: [...plan.leads, cable.id] } : plan;
}

/** The plan with a source in the socket of a board, and nothing else at the supply that the socket meets. */
export function plugIn(plan: Plan, board: PartNode, rail: string, library: Library, cards: Library): Plan {
  const usb = socketOf(board.card);
  const bare = changePart(plan, board.id, (part) => ({
    ...part,
    feeds: Object.fromEntries(Object.entries(part.feeds).filter(([supply]) => supply !== usb?.supply)),
  }));
  return withCable(setFeed(bare, board.id, SOCKET, rail), [...library.values()], usb?.plug, rail, cards);
}

/** The plan with a supply of a board fed by a rail, and nothing left in the socket that meets it. */
export function feedInstead(plan: Plan, board: PartNode, supply: string, rail: string): Plan {
  const bare = changePart(plan, board.id, (part) => ({
    ...part,
    feeds: Object.fromEntries(Object.entries(part.feeds).filter(([id]) => id !== SOCKET)),
  }));
  return setFeed(bare, board.id, supply === SOCKET ? (socketOf(board.card)?.supply ?? supply) : supply, rail);
}

/** Every source of the plan whose plug fits the socket of a board. */
export function plugCandidates(circuit: Circuit, library: Library, board: PartNode): Candidate[] {
  if (!socketOf(board.card) || !board.choice) return [];
  return [...circuit.rails.values()].flatMap((rail): Candidate[] => {
    const source = circuit.parts.get(rail.part);
    if (!source || !plugFits(source.card, board.card) || board.choice?.feeds[SOCKET] === rail.ref) return [];
    return [
      {
        id: `plug:${board.id}:${rail.ref}`,
        title: tell('plugIntoSocket', { source: source.label, board: board.label }),
        plan: plugIn(circuit.plan, board, rail.ref, library, circuit.cards),
      },
    ];
  });
}

/** A plug that fits, a cable, or a source that is wired. */
export const plugRemedies: Proposer = ({ circuit, finding, library }) => {
  const { part, own: supply = '' } = parseRef(finding.subjects[0]);
  const node = circuit.parts.get(part);
  if (!node?.choice) return [];
  const board = circuit.controller;
  const found: Candidate[] = [];
  if (supply === SOCKET && isPluggedIn(node.choice)) {
    const plug = socketOf(node.card)?.plug;
    for (const cable of cheapestFirst(cablesFor(library.values(), plug), buyingOf(circuit.plan)).slice(0, 2))
      found.push({
        id: `cable:${cable.id}`,
        title: tell('take', { cable: cable.name }),
        plan: { ...circuit.plan, leads: [...circuit.plan.leads, cable.id] },
      });
  }
  return [...(board ? plugCandidates(circuit, library, board) : []), ...found];
};
