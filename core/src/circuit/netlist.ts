/** The circuit as a list of what must be joined with what. */
import { keyOf } from '../plan/ref.ts';
import { carrierOf, isFitted, printedNames } from './carrier.ts';
import { type Circuit } from './model.ts';
import { Builder } from './netlist-builder.ts';
import { capacitors, coils, dividers, line } from './netlist-lines.ts';
import { type Netlist, type NodePin } from './netlist-model.ts';
import { grounds, rail } from './netlist-supplies.ts';

/**
 * Nodes in the order of the work: ground, rails from the source on, buses, lines. Pull-ups that sit on modules are no legs: they
 * come with the part. A pin that a carrier takes counts as the controller's.
 */
export function netlistOf(circuit: Circuit): Netlist {
  const b = new Builder(circuit);
  grounds(b);
  for (const ref of railOrder(circuit)) rail(b, ref);
  const nets = [...circuit.nets.filter(({ bus }) => bus !== null), ...circuit.nets.filter(({ bus }) => bus === null)];
  for (const net of nets) if (!net.ends.some(({ part }) => isFitted(circuit, part))) line(b, net);
  for (const net of nets) dividers(b, net);
  coils(b);
  capacitors(b);
  return b.done();
}

/** Sources first, then what is made from them. */
export function railOrder(circuit: Circuit): string[] {
  const depth = (ref: string, guard = 0): number => {
    const at = circuit.rails.get(ref);
    const from = at?.offer.from && circuit.feeds.get(keyOf(at.part, at.offer.from.supply))?.rail;
    return from && guard < 32 ? 1 + depth(from, guard + 1) : 0;
  };
  return [...circuit.rails.keys()].sort((a, b) => depth(a) - depth(b));
}

/** The terminal that a lead to a pin goes to: the carrier's where the controller sits in one. */
export function reachedAt(circuit: Circuit, pin: NodePin): readonly NodePin[] {
  const carrier = carrierOf(circuit);
  const controller = circuit.controller;
  if (!carrier || !controller || pin.part !== controller.id) return [pin];
  const label =
    printedNames(circuit)?.get(pin.terminal)?.name ??
    controller.card.terminals.find(({ id }) => id === pin.terminal)?.label;
  const at = carrier.card.terminals.filter((t) => t.label === label);
  return at.length > 0 ? at.map(({ id }) => ({ part: carrier.part, terminal: id })) : [pin];
}
