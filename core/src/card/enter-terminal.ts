/** A terminal that was read, into the terminals of a card. */
import type { Message } from '../quantity/message.ts';
import { labelId } from '../quantity/slug.ts';
import { noPlace, type Accepted } from './accepted.ts';
import type { Card } from './card.ts';
import type { Terminal } from './card-shape.ts';
import { roleOf } from './reader/terminals.ts';

/** Other names for one thing, so that a datasheet's label finds the template's terminal. */
const ALIKE: readonly (readonly string[])[] = [
  ['sda', 'dat', 'data', 'dq', 'sdi', 'out', 'do', 'sig', 's'],
  ['scl', 'clk', 'sck', 'clock', 'sck'],
  ['tx', 'txd'],
  ['rx', 'rxd'],
];

/** A terminal takes the place of the one of the template that it is, by name or by role. */
export function enterTerminal(card: Card, f: Accepted, source: string, taken: Set<string>): Card | Message {
  const label = f.label ?? '';
  const position = f.typ ?? 0;
  if (label === '' || !Number.isInteger(position) || position < 1) return noPlace('terminalIncomplete');
  const role = roleOf(label, f.conditions);
  const id = labelId(label) || `pin-${position}`;
  const free = card.terminals.filter((t) => !taken.has(`terminal ${t.id}`));
  const named = (t: Terminal) =>
    t.id === id || labelId(t.label) === id || (t.names ?? []).some((n) => labelId(n) === id);
  const match =
    free.find((t) => named(t) && t.role === role) ??
    free.find((t) => t.role === role && (role === 'supply' || role === 'ground')) ??
    free.find((t) => t.role === role && ALIKE.some((group) => group.includes(id) && group.includes(t.id)));
  const header = match?.header ?? card.headers[0]?.id;
  if (header === undefined) return noPlace('noHeader');
  if (match) {
    taken.add(`terminal ${match.id}`);
    return {
      ...card,
      terminals: card.terminals.map((t) => (t === match ? { ...t, label: label.slice(0, 24), position, source } : t)),
    };
  }
  let own = id;
  for (let n = 2; card.terminals.some((t) => t.id === own); n++) own = `${id}-${n}`;
  taken.add(`terminal ${own}`);
  return {
    ...card,
    terminals: [...card.terminals, { id: own, label: label.slice(0, 24), role, header, position, source }],
  };
}
