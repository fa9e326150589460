/** Loads on the contact of a relay: what stands between which rail and which load. */
import type { Contact } from '../card/power.ts';
import type { Circuit, PartNode } from './model.ts';

export interface ContactLoad {
  readonly load: PartNode;
  readonly port: string;
  /** The supply of the load that the contact opens. */
  readonly supply: string;
  readonly relay: PartNode;
  readonly contact: Contact;
  /** The terminal of the contact that the load is on. */
  readonly terminal: string;
  /** On while the relay is on, or while it is off. */
  readonly closed: boolean;
}

/** Loads that a contact switches: from their rail through it to their plus, and straight to ground. */
export function contactLoads(parts: Iterable<PartNode>): ContactLoad[] {
  const all = new Map([...parts].map((part) => [part.id, part]));
  return [...all.values()].flatMap((load) =>
    load.card.ports.flatMap((port): ContactLoad[] => {
      const choice = load.choice?.ports[port.id];
      const relay = all.get(choice?.driver ?? '');
      const contact = relay?.card.contact;
      const [supply] = load.card.supplies;
      if (port.protocol !== 'coil' || !relay || !contact || !supply) return [];
      const closed = choice?.contact === 'closed' && contact.closed !== undefined;
      const terminal = closed ? (contact.closed ?? contact.open) : contact.open;
      return [{ load, port: port.id, supply: supply.id, relay, contact, terminal, closed }];
    }),
  );
}

/** The load that a contact of this relay switches, if there is one. */
export const onContact = (circuit: Circuit, relay: string): ContactLoad[] =>
  contactLoads(circuit.parts.values()).filter((found) => found.relay.id === relay);
