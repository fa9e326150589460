/** A switch in the supply of a part, on a pin of the controller. */
import type { Card } from '../card/card.ts';
import type { Buying } from '../buy/currency.ts';
import type { Library } from '../card/library.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { cheapestFirst } from '../buy/cost.ts';
import { freeId, newPart, setFeed } from '../plan/edits.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { within } from '../quantity/interval.ts';
import { keyOf } from '../plan/ref.ts';

/** True where a rail's voltage lies inside the range of a card's supply. */
export const suits = (circuit: Circuit, card: Card, supply: string, rail: string): boolean => {
  const volts = circuit.rails.get(rail)?.voltage;
  const range = card.supplies.find(({ id }) => id === supply)?.range;
  return volts !== null && volts !== undefined && range !== undefined && within(volts, toInterval(range));
};

const isSwitch = (card: Card) => card.rails?.some((rail) => rail.switch && rail.from?.by === 'pass') ?? false;

/** The cheapest switch for a supply. */
export const supplySwitch = (library: Library, buying: Buying): Card | undefined =>
  cheapestFirst([...library.values()].filter(isSwitch), buying)[0];

/**
 * The plan with a switch between a part's first supply and its rail.
 * @returns null where the part is not fed, or the switch does not suit its rail
 */
export function behindSwitch(
  circuit: Circuit,
  plan: Plan,
  node: PartNode,
  card: Card,
  pin: string | null,
): Plan | null {
  const offer = card.rails?.find((rail) => rail.switch);
  const line = Object.keys(card.ports.find(({ id }) => id === offer?.switch?.port)?.lines ?? {})[0];
  const [input] = card.supplies;
  const [supply] = node.card.supplies;
  const rail = supply && node.choice?.feeds[supply.id];
  if (!offer?.switch || !line || !input || !supply || !rail || !suits(circuit, card, input.id, rail)) return null;
  const id = freeId(plan, `supply-switch-${node.id}`.slice(0, 40));
  const part: PartChoice = {
    ...newPart(plan, card, id, card.name, { [input.id]: rail }),
    ports: { [offer.switch.port]: { lines: { [line]: { pin, locked: false } } } },
  };
  return setFeed({ ...plan, parts: [...plan.parts, part] }, node.id, supply.id, keyOf(id, offer.id));
}
