/** The carrier that sits on a controller: which pins it leads out, and under which names. */
import type { Card } from '../card/card.ts';
import type { Circuit } from './model.ts';
import { fact } from './watched.ts';

/** The carrier of a plan, if it has one. */
export const carrierOf = (circuit: Circuit): Carrier | null => carrier(circuit, '') ?? null;

interface Carrier {
  readonly part: string;
  readonly card: Card;
}

const carrier = fact('carrier', (circuit): ReadonlyMap<string, Carrier> => {
  for (const { id, card } of circuit.parts.values()) if (card.carrier) return new Map([['', { part: id, card }]]);
  return new Map<string, Carrier>();
});

/**
 * Names that a carrier prints for the pins of the controller, by terminal, and whether a lead can be put there.
 * @returns null when nothing sits on the controller, or what sits there does not fit it
 */
export function printedNames(circuit: Circuit): ReadonlyMap<string, { name: string; free: boolean }> | null {
  const { carrier: on } = carrierOf(circuit)?.card ?? {};
  const names = on?.fits[circuit.controller?.card.id ?? ''];
  if (!on || !names) return null;
  return new Map(Object.entries(names).map(([name, terminal]) => [terminal, { name, free: on.free.includes(name) }]));
}

/** True for a part that comes with a carrier and needs no lead. */
export const isFitted = (circuit: Circuit, part: string): boolean =>
  circuit.parts.get(part)?.choice?.fittedOn !== undefined;
