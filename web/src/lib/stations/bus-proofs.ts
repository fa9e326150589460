import type { Result } from '@idle-breadboard/core/verify';

/** Passes that say only what the row shows already are left to the list of all proofs. */
const PLAIN = ['bus/address-reserved', 'level/no-pull-up'];

export const shown = (results: readonly Result[]): Result[] =>
  results.filter(({ severity, check }) => severity !== null || !PLAIN.includes(check));
