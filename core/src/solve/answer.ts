/** What can be said to a finding: remedies, or that no single change ends it. */
import type { Verdict } from '../check/standing.ts';
import { isBlocking, type Result } from '../check/result.ts';
import type { Circuit } from '../circuit/model.ts';
import type { Library } from '../card/library.ts';
import { candidatesFor, proofOf, proposing } from '../remedy/propose.ts';
import { atOnce } from '../quantity/at-once.ts';
import type { Remedy } from '../remedy/remedy.ts';
import { anyChange } from './any-change.ts';

export interface Answer {
  readonly remedies: readonly Remedy[];
  /** Single changes that were tried, the likely ones and, where none of those ended it, all others. */
  readonly tried: number;
}

/** More than this of the unlikely ones are not looked for. */
const MAX_UNLIKELY = 3;

/**
 * Remedies of a finding; where none of the likely changes ends it, every single change of what it is about is tried. So where none is
 * given, none of them ends it. It stops after each trial, so that whoever waits for something else can be served.
 */
export function* answering(
  circuit: Circuit,
  verdict: Verdict,
  finding: Result,
  library: Library,
): Generator<undefined, Answer> {
  const context = { circuit, finding, library };
  const likely = yield* proposing(circuit, verdict, finding, library);
  const known = new Set(candidatesFor(context).map(({ id }) => id));
  let tried = known.size;
  if (likely.length > 0 || !isBlocking(finding)) return { remedies: likely, tried };
  const found: Remedy[] = [];
  for (const candidate of anyChange(context)) {
    if (known.has(candidate.id)) continue;
    tried += 1;
    const proof = proofOf(context, verdict, candidate);
    if (proof && found.push(proof) >= MAX_UNLIKELY) break;
    yield;
  }
  return { remedies: found, tried };
}

/** The same at one go. */
export const answerTo = (...of: Parameters<typeof answering>): Answer => atOnce(answering(...of));
