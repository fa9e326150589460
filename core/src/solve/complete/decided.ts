/** What a search decided, by the names of the problem. */
import type { Encoding } from './encode.ts';
import { CHOICE, isThere } from './names.ts';
import { type Placed, readPlaced } from './places.ts';

export interface Decided {
  /** The option that was taken of a choice; null where what it is about is not there. */
  readonly of: (choice: string) => string | null;
  /** Where each part was put, by its id; those that were left out are not in it. */
  readonly placed: ReadonlyMap<string, Placed>;
}

/** @param taken index of the option of each choice */
export function decidedOf({ problem, parts }: Encoding, taken: readonly number[]): Decided {
  const there = new Map<string, string>();
  problem.choices.forEach(({ id, options }, c) => {
    const option = options[taken[c] ?? -1]?.id;
    if (option !== undefined && isThere(option)) there.set(id, option);
  });
  const placed = parts.flatMap(({ choice: { id } }): [string, Placed][] => {
    const option = there.get(CHOICE.part(id));
    const at = option === undefined ? null : readPlaced(option);
    return at ? [[id, at]] : [];
  });
  return { of: (choice) => there.get(choice) ?? null, placed: new Map(placed) };
}
