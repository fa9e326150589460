import { unreadCautions } from '../circuit/cautions.ts';
import type { Circuit } from '../circuit/model.ts';
import { idsOf } from '../circuit/watched.ts';
import { echoesAmong } from './echo.ts';
import { CHECKS } from './registry.ts';
import { type Check, isBlocking, result, type Result } from './result.ts';
import { rank, relativeMargin, type NotMet, type Verdict } from './standing.ts';
import { NoOperatingPoint } from '../physics/operating-point.ts';
import { unworkable } from './unworkable.ts';

/** What a piece of a check says; where it fails, that is what it says: a proof that cannot be worked out is not met. */
function saidBy(check: Check, circuit: Circuit, run: () => readonly Result[]): readonly Result[] {
  try {
    return run();
  } catch (error) {
    const message =
      error instanceof NoOperatingPoint
        ? unworkable('noVoltages', { nodes: error.nodes })
        : unworkable('failed', { why: error instanceof Error ? error.message : String(error) });
    return [result(circuit, check.meta, { subjects: [], severity: 'fault', message })];
  }
}

/** Every check in its pieces, in the order of the checks. */
export const PIECES = CHECKS.flatMap((check: Check) =>
  (check.pieces ?? [{ of: null, judge: check.run }]).map((piece) => ({ check, ...piece })),
);
export type CheckPiece = (typeof PIECES)[number];

/** What a piece says of one thing; the name is of no use where it looks at all of the circuit. */
export const judged = ({ check, judge }: CheckPiece, circuit: Circuit, id: string): readonly Result[] =>
  saidBy(check, circuit, () => judge(circuit, id));

/** The names of what a piece looks at one by one. */
export const subjectsOf = ({ of }: CheckPiece, circuit: Circuit): Iterable<string> => (of ? idsOf(circuit, of) : ['']);

/** Of what pieces of one check fail of, one says so, whichever was looked at first. */
function onceEach(results: readonly Result[]): readonly Result[] {
  const failed = new Map<string, Result>();
  const said = ({ message }: Result) => JSON.stringify(message);
  for (const one of results) {
    const other = one.subjects.length > 0 ? undefined : failed.get(one.key);
    if (one.subjects.length === 0 && (!other || said(one) < said(other))) failed.set(one.key, one);
  }
  return results.filter((one) => one.subjects.length > 0 || failed.get(one.key) === one);
}

/** What is not met, the worst first, and what of it only says again what another says. */
export function findingsAmong(broken: readonly Result[]): NotMet {
  const all = onceEach(broken);
  const echoes = echoesAmong(all);
  const findings = all.filter((r) => !echoes.has(r));
  findings.sort((a, b) => rank(a) - rank(b) || relativeMargin(a) - relativeMargin(b) || (a.key < b.key ? -1 : 1));
  return { findings, echoes: [...echoes].sort((a, b) => (a.key < b.key ? -1 : 1)) };
}

/**
 * Runs every check over the circuit.
 * @returns verified when something was proved and there is neither danger nor fault; the same circuit always gives the same verdict
 */
export const verify = (circuit: Circuit): Verdict =>
  verdictOf(
    circuit,
    PIECES.flatMap((piece) =>
      saidBy(piece.check, circuit, () => [...subjectsOf(piece, circuit)].flatMap((id) => judged(piece, circuit, id))),
    ),
  );

/** @param results of every piece of every check, of everything that it looks at */
export function verdictOf(circuit: Circuit, results: readonly Result[]): Verdict {
  const { findings, echoes } = findingsAmong(results.filter((r) => r.severity !== null));
  const passes = results.filter((r) => r.severity === null);
  const tightest = passes.reduce<Result | null>(
    (best, r) => (relativeMargin(r) < (best ? relativeMargin(best) : Infinity) ? r : best),
    null,
  );
  return {
    // A plan that says nothing has nothing proved.
    status: results.length === 0 || findings.some(isBlocking) ? 'open' : 'verified',
    findings,
    echoes,
    passes,
    tightest,
    unread: unreadCautions(circuit),
    assumed: passes.filter((r) => r.assumed).length,
  };
}
