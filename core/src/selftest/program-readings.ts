/** What a self-test says of quantities: temperatures of parts whose number is known. */
import type { Circuit } from '../circuit/model.ts';
import type { FoundPart } from './evidence.ts';
import { numberedParts } from './which-part.ts';

export interface ProgramReading {
  readonly part: string;
  readonly celsius: number;
}

export const programReadings = (circuit: Circuit, found: readonly FoundPart[]): ProgramReading[] =>
  numberedParts(circuit).flatMap(({ part, number }) => {
    const celsius = found.find(({ rom }) => rom === number)?.celsius ?? null;
    return celsius === null ? [] : [{ part, celsius }];
  });
