import type { Circuit } from '../circuit/circuit.ts';

/** Colours without a role are given in turn; this remembers how far. */
export interface ColourTurns {
  next: number;
}

/**
 * The colour of a lead by the house rules: ground, logic supply, other supply, data, clock, the rest in turn.
 * @param role 'ground', 'supply', or the name of the line
 * @param voltage of the rail, V
 */
export function colourFor(circuit: Circuit, role: string, voltage: number | undefined, turns: ColourTurns): string {
  const { colours } = circuit.plan.rules;
  if (role === 'ground') return colours.ground;
  if (role === 'supply') {
    const reference = circuit.controller?.card.controller?.io.reference;
    const logic = circuit.controller && circuit.rails.get(`${circuit.controller.id}.${reference}`)?.voltage?.typ;
    return logic && voltage && Math.abs(voltage - logic) < 0.2 ? colours.logic : colours.supply;
  }
  if (role === 'sda' || role === 'data') return colours.data;
  if (role === 'scl' || role === 'clock') return colours.clock;
  const colour = colours.others[turns.next % colours.others.length] ?? colours.supply;
  turns.next += 1;
  return colour;
}
