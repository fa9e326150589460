/** Where a part is. */
import type { Circuit } from './circuit.ts';

/** The place of a part: its own, that of its first need with one, or that of what it stands beside. */
export function placeOf(circuit: Circuit, part: string): string | null {
  const choice = circuit.parts.get(part)?.choice;
  if (choice?.place) return choice.place;
  for (const id of choice?.needs ?? []) {
    const need = circuit.plan.needs.find((n) => n.id === id);
    if (need && 'place' in need && need.place) return need.place;
  }
  return null;
}
