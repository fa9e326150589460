/** The verdict as it leaves the program, in words: a contract, described in docs/formats.md. */
import { say, sayResult, type SaidResult, type SaidProblem, sayProblems } from '../say/say.ts';
import { withMeasured } from '../check/measured.ts';
import type { Library } from '../card/library.ts';
import type { Grounds } from '../check/result.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import type { Result, Severity } from '../check/result.ts';
import { standingOf } from '../check/standing.ts';
import { tryingOf } from '../check/trying.ts';
import { buildOf } from '../deliver/build.ts';
import type { PlanDocument } from '../plan/document.ts';
import { fingerprint } from '../plan/fingerprint.ts';
import type { Problem } from '../quantity/problem.ts';
import { proposeRemedies } from '../remedy/propose.ts';

interface ReportedPass {
  readonly check: string;
  readonly subjects: readonly string[];
  /** Which of the things that the check proves of them; null where it proves one. */
  readonly aspect: Result['aspect'];
  readonly measured: number | null;
  readonly limit: number | null;
  readonly unit: string;
  readonly margin: number | null;
  readonly message: string;
  readonly evidence: Grounds;
  readonly workings: SaidResult['workings'];
}

interface ReportedFinding extends ReportedPass {
  readonly severity: Severity;
  readonly remedies: readonly { id: string; title: string }[];
}

export interface Report {
  /** Unread: all is proved, and sentences of hazards are still to be ticked off in the plan. */
  readonly status: 'verified' | 'unread' | 'open' | 'refused';
  readonly fingerprint: string | null;
  readonly findings: readonly ReportedFinding[];
  readonly passes: readonly ReportedPass[];
  /** Sentences of hazards that nobody has ticked off. */
  readonly unread: readonly string[];
  /** The wiring plan read back: null while findings are open, since it is not made before. */
  readonly wiring: { readonly agrees: boolean; readonly says: readonly string[] } | null;
  /** Only when refused. */
  readonly problems?: readonly SaidProblem[];
}

function pass(r: Result): ReportedPass {
  const { check, subjects, aspect, measured, limit, unit, margin, evidence } = r;
  const { message, workings } = sayResult(r);
  return { check, subjects, aspect, measured, limit, unit, margin, message, evidence, workings };
}

/** @param library cards that remedies may take besides the plan's own */
export function reportOf(document: PlanDocument, library: Library): Report {
  const circuit = deriveCircuit(document);
  const verdict = withMeasured(tryingOf(circuit).verdict, document.plan.measured, fingerprint(document));
  const build = verdict.status === 'verified' ? buildOf(circuit) : null;
  const says = build
    ? build.why
      ? [say(build.why.says)]
      : (build.proof?.mismatches ?? []).map((d) => say(d.says))
    : [];
  const wiring = build && { agrees: build.proof?.agrees === true, says };
  const all = new Map([...library, ...circuit.cards]);
  return {
    status: wiring && !wiring.agrees ? 'open' : standingOf(verdict),
    unread: verdict.unread.map(({ says }) => says),
    wiring,
    fingerprint: fingerprint(document),
    findings: verdict.findings.map((finding) => ({
      ...pass(finding),
      severity: finding.severity ?? 'note',
      remedies: proposeRemedies(circuit, verdict, finding, all).map(({ id, title }) => ({ id, title: say(title) })),
    })),
    passes: verdict.passes.map(pass),
  };
}

export const refused = (problems: readonly Problem[]): Report => ({
  status: 'refused',
  fingerprint: null,
  findings: [],
  passes: [],
  unread: [],
  wiring: null,
  problems: sayProblems(problems),
});
