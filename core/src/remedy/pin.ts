/** Moving lines to pins that can carry them. */
import type { Circuit, PinWish } from '../circuit/model.ts';
import { freeGroupPins, freePinsFor } from '../circuit/free-pins.ts';
import { changePart, setPin } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyPinSays {
  readonly to: { old: Text; label: Text };
  readonly move: { where: readonly Text[] };
  readonly moveTo: { wish: Text; label: Text };
  readonly ground: null;
  readonly tie: { terminal: Text; part: Text; says: Text };
}

const tell = tells<RemedyPinSays>('remedy/pin');

const labelOf = (circuit: Circuit, pin: string) =>
  circuit.controller?.card.terminals.find(({ id }) => id === pin)?.label ?? pin;

function move(circuit: Circuit, wish: PinWish): Candidate[] {
  const old = (line: string) => circuit.wishes.find((w) => w.of === wish.of && w.line === line);
  const place = (plan: Plan, line: string, pin: string) =>
    setPin(plan, wish.of, line, { pin, locked: false, ...(weakOf(circuit, wish.of, line) ? { weakPull: true } : {}) });
  if (wish.group) {
    const lines = circuit.wishes.filter(({ group }) => group === wish.group);
    const pins = freeGroupPins(circuit, lines, wish.group);
    if (!pins) return [];
    const plan = Object.entries(pins).reduce((p, [line, pin]) => place(p, line, pin), circuit.plan);
    const where = Object.entries(pins).map(([line, pin]) =>
      tell('to', { old: old(line)?.label ?? line, label: labelOf(circuit, pin) }),
    );
    return [{ id: `pins:${wish.of}:${Object.values(pins).join('+')}`, title: tell('move', { where }), plan }];
  }
  return freePinsFor(circuit, wish)
    .slice(0, 2)
    .map((pin) => ({
      id: `pin:${wish.id}:${pin}`,
      title: tell('moveTo', { wish: wish.label, label: labelOf(circuit, pin) }),
      plan: place(circuit.plan, wish.line, pin),
    }));
}

function weakOf(circuit: Circuit, of: string, line: string): boolean {
  return circuit.wishes.some((wish) => wish.of === of && wish.line === line && wish.weakPull);
}

/** For every finding that names lines: move one of them. */
export const pinRemedies: Proposer = ({ circuit, finding }) =>
  circuit.wishes.filter(({ id }) => finding.subjects.includes(id)).flatMap((wish) => move(circuit, wish));

/** A terminal that must not float, tied to ground or to a supply of its part. */
export const tieRemedies: Proposer = ({ circuit, finding }) => {
  const part = circuit.parts.get(finding.subjects[0] ?? '');
  const terminal = part?.card.terminals.find(({ id }) => id === finding.subjects[1]);
  if (!part?.choice || !terminal) return [];
  const named = (id: string) => part.card.terminals.find((t) => t.id === id)?.label ?? id;
  return [
    { to: 'ground', says: tell('ground') },
    ...part.card.supplies.map(({ id, terminal: at }) => ({ to: id, says: named(at) })),
  ].map(({ to, says }) => ({
    id: `tie:${keyOf(part.id, terminal.id)}:${to}`,
    title: tell('tie', { terminal: terminal.label, part: part.label, says }),
    plan: changePart(circuit.plan, part.id, (choice) => ({ ...choice, ties: { ...choice.ties, [terminal.id]: to } })),
  }));
};
