/** Parts that plug into one another without a lead. */
import { carrierOf, printedNames } from './carrier.ts';
import type { Circuit } from './circuit.ts';

export interface MatedPart {
  readonly part: string;
  readonly host: string;
  /** Terminal of the part -> terminal of the host, pin by pin. */
  readonly pairs: readonly (readonly [string, string])[];
}

/** Whether a part stands in a socket of another. */
export const plugged = (circuit: Circuit, part: string): boolean => circuit.parts.get(part)?.choice?.on !== undefined;

/** Header on header, as the plan says, and the controller in its carrier. */
export function matedPairs(circuit: Circuit): MatedPart[] {
  const stacked = [...circuit.parts.values()].flatMap(({ id, card, choice }): MatedPart[] => {
    const host = choice?.on && circuit.parts.get(choice.on.part)?.card;
    const [header] = card.headers;
    if (!choice?.on || !host || !header) return [];
    const { at, turned, header: socket } = choice.on;
    const own = card.terminals.filter((t) => t.header === header.id);
    const last = Math.max(...own.map(({ position }) => position));
    const pairs = own.flatMap(({ id: terminal, position }) => {
      const there = at + (turned ? last - position : position - 1);
      const other = host.terminals.find((t) => t.header === socket && t.position === there);
      return other ? [[terminal, other.id] as const] : [];
    });
    return [{ part: id, host: choice.on.part, pairs }];
  });
  const carrier = carrierOf(circuit);
  const { controller } = circuit;
  if (!carrier || !controller) return stacked;
  const names = printedNames(circuit);
  const pairs = controller.card.terminals.flatMap((t) => {
    const label = names?.get(t.id)?.name ?? t.label;
    return carrier.card.terminals.filter((c) => c.label === label).map((c) => [t.id, c.id] as const);
  });
  return [...stacked, { part: controller.id, host: carrier.part, pairs }];
}
