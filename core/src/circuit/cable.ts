/** The cable between an outlet and a board's socket. */
import type { Card } from '../card/card.ts';
import { SOCKET } from '../card/kinds.ts';
import type { Library } from '../card/library.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Plan } from '../plan/plan.ts';
import { USUAL_CABLE } from '../standard/common-practice.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import type { CableRun, Circuit, PartNode, Rail } from './model.ts';
import { ownerOf } from '../plan/ref.ts';
import { isPluggedIn, socketOf } from './socket.ts';

/** Cards of the plan that are cables with this plug; any where the socket does not say. */
export const cablesFor = (cards: Iterable<Card>, plug: string | undefined): Card[] =>
  [...cards].filter(({ cable }) => cable && (plug === undefined || cable.plug === plug));

/** What joins a board's socket with its source; null where no cable is in the socket. */
export function cableRun(plan: Plan, cards: Library, part: PartNode, source: Card | undefined): CableRun | null {
  if (!part.choice || !isPluggedIn(part.choice) || !source) return null;
  const plug = socketOf(part.card)?.plug;
  if (source.outlet?.plug !== undefined) return { card: null, own: true, length: 0, gauge: USUAL_CABLE.gauge, ohms: 0 };
  const own = plan.leads.flatMap((id) => cards.get(id) ?? []);
  const card = cablesFor(own, plug)[0] ?? null;
  const { length, gauge } = card?.cable ?? USUAL_CABLE;
  const contacts = card?.cable ? toInterval(card.cable.contacts).max : USUAL_CABLE.contacts;
  return { card, own: false, length, gauge, ohms: 2 * length * gaugeResistance(gauge) + contacts };
}

/** True where this source can be plugged into this board. A socket or plug of which nothing is said fits any. */
export function plugFits(source: Card, board: Card): boolean {
  const usb = socketOf(board);
  if (!usb || !source.outlet) return false;
  const { plug } = source.outlet;
  return plug === undefined || usb.plug === undefined || plug === usb.plug;
}

/** True where leads can be put to a rail: what ends in a plug, or wants one, goes into a socket and nowhere else. */
export const takesLeads = (circuit: Pick<Circuit, 'parts'>, { part }: Pick<Rail, 'part'>): boolean =>
  circuit.parts.get(part)?.card.outlet === undefined;

/** Rails of sources whose plug fits a board's socket. */
export const railsInto = (circuit: Pick<Circuit, 'rails' | 'parts'>, board: Card): Rail[] =>
  [...circuit.rails.values()].filter(({ part }) => {
    const source = circuit.parts.get(part)?.card;
    return source !== undefined && plugFits(source, board);
  });

/** The rail that feeds a socket, by its source's card: whether a rail may feed a supply as far as their ends go. */
export const endsMeet = (source: Card | undefined, board: Card, supply: string): boolean =>
  supply === SOCKET ? source !== undefined && plugFits(source, board) : source?.outlet === undefined;

/** By part: what joins its socket with its source. */
export function cableRuns(plan: Plan, cards: Library, parts: ReadonlyMap<string, PartNode>): Map<string, CableRun> {
  const runs = new Map<string, CableRun>();
  for (const part of parts.values()) {
    const source = parts.get(ownerOf(part.choice?.feeds[SOCKET]))?.card;
    const run = cableRun(plan, cards, part, source);
    if (run) runs.set(part.id, run);
  }
  return runs;
}
