/** Grounds and rails, with what hangs on them straight, behind a contact or behind a guard. */
import { wordOf } from '../quantity/message.ts';
import { contactLoads } from './contact.ts';
import { type Circuit, type PartNode } from './model.ts';
import type { Builder } from './netlist-builder.ts';
import { GROUND, behindId, groundNode, isWired, railNode, switchedId, tell } from './netlist-builder.ts';
import { wayOf } from './way.ts';

export function grounds(b: Builder): void {
  const { circuit } = b;
  const behindContact = new Set(contactLoads(circuit.parts.values()).map(({ load }) => load.id));
  const onPin = ({ choice }: PartNode) => choice?.ground !== undefined;
  // The ground that all share comes first: it is what everything is measured against.
  const order = [...circuit.parts.values()].sort((a, b) => Number(onPin(a)) - Number(onPin(b)));
  for (const part of order) {
    // A coil's minus goes to its driver, not to ground; only that of one behind a contact does.
    const coil = part.card.ports.some(({ protocol }) => protocol === 'coil');
    if (!isWired(circuit, part.id) || (coil && !behindContact.has(part.id))) continue;
    const own = part.card.terminals.filter(({ role }) => role === 'ground');
    // One ground of a controller is enough: they are one on its board.
    for (const { id } of part.card.controller ? own.slice(0, 1) : own)
      b.pin(groundNode(b, part.id), { part: part.id, terminal: id });
    const direction = directionOf(circuit, part);
    if (direction?.rail === null) b.pin(groundNode(b, part.id), { part: part.id, terminal: direction.terminal });
    for (const id of tiedTo(part, GROUND)) b.pin(groundNode(b, part.id), { part: part.id, terminal: id });
    // A part that lives on its data line has its supply terminal on ground.
    if (Object.values(part.choice?.ports ?? {}).some(({ parasite }) => parasite === true))
      for (const supply of part.card.supplies)
        if (part.choice?.feeds[supply.id] === undefined)
          b.pin(groundNode(b, part.id), { part: part.id, terminal: supply.terminal });
  }
}

/** Terminals of a part that are tied to its ground, or to one of its supplies. */
const tiedTo = ({ choice }: PartNode, to: string): string[] =>
  Object.entries(choice?.ties ?? {}).flatMap(([terminal, at]) => (at === to ? [terminal] : []));

/** Where the direction of a translator is tied: its low supply's rail, or ground where `rail` is null. */
function directionOf(circuit: Circuit, node: PartNode): { terminal: string; rail: string | null } | null {
  const { translator } = node.card;
  const far = circuit.nets.find(({ beyond }) => beyond === node.id);
  if (!node.helper || !translator?.direction || !far) return null;
  const low = node.choice?.feeds[translator.lowSupply] ?? null;
  const farIsHigh = node.helper.far !== low;
  const toHigh = (wayOf(far) === 'to') === farIsHigh;
  const supply = (translator.direction.toHigh === 'supply') === toHigh;
  return { terminal: translator.direction.terminal, rail: supply ? low : null };
}

export function rail(b: Builder, ref: string): void {
  const { circuit } = b;
  const contacts = contactLoads(circuit.parts.values());
  const id = railNode(b, ref);
  if (!id) return;
  for (const { part, supply, rail: own } of circuit.feeds.values()) {
    const fed = own === ref || circuit.parts.get(part)?.choice?.also?.[supply.id] === ref;
    if (!fed || !isWired(circuit, part)) continue;
    const pin = { part, terminal: supply.terminal };
    const node = circuit.parts.get(part);
    const ties = node ? tiedTo(node, supply.id).map((terminal) => ({ part, terminal })) : [];
    const contact = contacts.find((c) => c.load.id === part && c.supply === supply.id);
    if (contact) {
      b.pin(id, { part: contact.relay.id, terminal: contact.contact.common });
      const switched = b.node(switchedId(part, supply.id), {
        of: { is: 'behind' },
        label: tell('behindContact', { offer: circuit.rails.get(ref)?.offer.name ?? ref, relay: contact.relay.label }),
        role: 'supply',
        line: 'supply',
        bus: null,
        voltage: circuit.rails.get(ref)?.voltage?.typ,
      });
      b.pin(switched, { part: contact.relay.id, terminal: contact.terminal });
      b.pin(switched, pin);
      continue;
    }
    const guard = circuit.guards.find((g) => g.part === part && g.supply === supply.id && g.rail === ref);
    if (!guard) {
      for (const at of [pin, ...ties]) b.pin(id, at);
      continue;
    }
    const label = circuit.parts.get(part)?.label ?? part;
    const behind = b.node(behindId(guard), {
      of: { is: 'behind' },
      label: tell('behind', { offer: circuit.rails.get(ref)?.offer.name ?? ref, by: wordOf('guard', guard.by), label }),
      role: 'supply',
      line: 'supply',
      bus: null,
      voltage: circuit.rails.get(ref)?.voltage?.typ,
    });
    for (const at of [pin, ...ties]) b.pin(behind, at);
    b.legs({
      id: guard.helper,
      kind: guard.by,
      value: circuit.cards.get(guard.card)?.name ?? guard.by,
      ohms: null,
      card: guard.card,
      legs: [id, behind],
      polar: guard.by === 'diode' ? [tell('plainEnd'), tell('ringEnd')] : null,
    });
  }
  for (const node of circuit.parts.values()) {
    const tied = directionOf(circuit, node);
    if (tied?.rail === ref) b.pin(id, { part: node.id, terminal: tied.terminal });
  }
  // The enable of a translator that nothing switches is tied to the supply of its low side.
  for (const node of circuit.parts.values()) {
    const { translator } = node.card;
    const port = node.card.ports.find(({ id: p }) => p === translator?.enable);
    const signal = node.card.signals.find(({ id: s }) => s === Object.values(port?.lines ?? {})[0]);
    if (node.helper && !node.helper.gate && translator && signal && node.choice?.feeds[translator.lowSupply] === ref)
      b.pin(id, { part: node.id, terminal: signal.terminal });
  }
}
