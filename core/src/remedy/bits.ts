/** Readings in fewer bits: what is lost in fineness is gained in time. */
import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { setBits } from '../plan/edits.ts';
import type { Candidate } from './remedy.ts';
import { quantityOf, tells, type Quantity } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface RemedyBitsSays {
  readonly readThemBitsEach: { bits: number; longest: Quantity };
}

const tell = tells<RemedyBitsSays>('remedy/bits');

/** Parts on a bus and on its segments. */
export const membersOf = (circuit: Circuit, root: string): string[] => [
  ...new Set(
    circuit.buses.filter((bus) => bus.root === root).flatMap(({ members }) => members.map(({ part }) => part)),
  ),
];

/** Those of some parts that can, read in fewer bits: the time of a reading against its step. */
export function fewerBits(circuit: Circuit, parts: readonly string[]): Candidate[] {
  const able = parts.flatMap((id) => {
    const node = circuit.parts.get(id);
    const settings = node?.card.measures.flatMap(({ coarser }) => coarser ?? []) ?? [];
    const now = node?.choice?.bits ?? Infinity;
    return settings.filter(({ bits }) => bits < now).map((setting) => ({ id, setting }));
  });
  return [...new Set(able.map(({ setting }) => setting.bits))]
    .sort((a, b) => b - a)
    .map((bits) => {
      const those = able.filter(({ setting }) => setting.bits === bits);
      const longest = Math.max(...those.map(({ setting }) => toInterval(setting.conversion).max));
      return {
        id: `bits:${bits}:${those.map(({ id }) => id).join('+')}`,
        title: tell('readThemBitsEach', { bits, longest: quantityOf(longest, 's') }),
        plan: those.reduce((plan, { id }) => setBits(plan, id, bits), circuit.plan),
      };
    });
}
