/** The carrier that sits on a controller: which pins it leads out, and under which names. */
import type { Card } from '../card/card.ts';
import type { Circuit } from './model.ts';

/** The carrier of a plan, if it has one. */
export function carrierOf(circuit: Circuit): { readonly part: string; readonly card: Card } | null {
  for (const { id, card } of circuit.parts.values()) if (card.carrier) return { part: id, card };
  return null;
}

/**
 * Names that a carrier prints for the pins of the controller, by terminal, and whether a lead can be put there.
 * @returns null when nothing sits on the controller, or what sits there does not fit it
 */
export function printedNames(circuit: Circuit): ReadonlyMap<string, { name: string; free: boolean }> | null {
  const carrier = carrierOf(circuit)?.card.carrier;
  const names = carrier?.fits[circuit.controller?.card.id ?? ''];
  if (!carrier || !names) return null;
  return new Map(
    Object.entries(names).map(([name, terminal]) => [terminal, { name, free: carrier.free.includes(name) }]),
  );
}

/** True for a part that comes with a carrier and needs no lead. */
export const isFitted = (circuit: Circuit, part: string): boolean =>
  circuit.parts.get(part)?.choice?.fittedOn !== undefined;
