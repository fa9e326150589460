/** The plan that completes itself: everything that is open, settled together, and judged by every check at the end. */
import type { Library } from '../../card/library.ts';
import type { Circuit } from '../../circuit/model.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Result } from '../../check/result.ts';
import { verify, type Verdict } from '../../check/verify.ts';
import { piecesCost } from '../../buy/cost.ts';
import { documentOf } from '../../plan/document.ts';
import { planChanges } from '../../plan/changes.ts';
import { changePart, HEAVY_GAUGE, isHeavy } from '../../plan/edits.ts';
import type { Plan } from '../../plan/plan.ts';
import { proposeRemedies } from '../../remedy/propose.ts';
import { searchSteps, type Found, type Progress, type Told } from '../joint/search.ts';
import type { Problem } from '../joint/problem.ts';
import { withoutThis } from './cut.ts';
import { decode } from './decode.ts';
import { describeChanges, type SaidChange } from './describe.ts';
import { encode, type Encoding } from './encode.ts';
import { variantsOf } from './variants.ts';
import { carrierProblem, notFed, whyNot, type WhyNot } from './why-not.ts';

export interface Completion {
  readonly plan: Plan;
  readonly verdict: Verdict;
  /** From the plan that was given to this one. */
  readonly changes: readonly SaidChange[];
  /** Difference of the piece prices. */
  readonly cost: number;
  /** Parts and helpers more (or less). */
  readonly pieces: number;
  /** Dangers and faults that no change of wiring ends. */
  readonly left: readonly Result[];
  /** What cannot be had together; where anything is said here the plan is the one that was given. */
  readonly why: readonly WhyNot[];
}

/** Solutions that every check refused are left aside this many times. */
const MAX_CUTS = 24;
/** Changes one by one, for what the joint problem does not know. */
const MAX_SINGLE = 6;

/** A solution is also given up for what is past a sheet by millivolts: mostly another way keeps to it. */
const isGrave = ({ severity, check }: Result) =>
  severity === 'danger' || severity === 'fault' || (severity === 'caution' && check === 'level/over-voltage');
const grave = (verdict: Verdict) => verdict.findings.filter(isGrave);

interface Judged {
  readonly plan: Plan;
  readonly circuit: Circuit;
  readonly verdict: Verdict;
}

/**
 * Settles feeds, translators, buses, addresses, pull-ups and pins together: no danger and no fault; then as few broken
 * house rules, added parts, added cost, cautions, changes and long leads as can be, in this order. Locks are kept.
 * A plan that is verified is given back as it is. Told `enough` between two steps, it goes on with the best so far.
 */
export function* completeSteps(circuit: Circuit, library: Library): Generator<Progress, Completion, Told> {
  const judge = (plan: Plan): Judged => {
    const derived = deriveCircuit(documentOf(plan, circuit.cards.values(), library));
    return { plan, circuit: derived, verdict: verify(derived) };
  };
  const given = judge(circuit.plan);
  if (given.verdict.status === 'verified') return completionOf(circuit, library, given, []);
  const never = carrierProblem(circuit);
  if (never) return completionOf(circuit, library, given, [never]);
  let first: Encoding | null = null;
  let found: Judged | null = null;
  let best: Judged | null = null;
  for (const variant of variantsOf(onThickLeads(circuit), library)) {
    let encoding: Encoding | null = null;
    for (const againstRules of [false, true]) {
      encoding = encode(variant, library, againstRules);
      if (encoding) found = yield* solved(encoding, judge);
      if (found || !encoding) break;
    }
    first ??= encoding;
    const settled: Judged | null = found && bySingles(found, library, judge);
    if (settled && (!best || grave(settled.verdict).length < grave(best.verdict).length)) best = settled;
    if (best?.verdict.status === 'verified') break;
  }
  if (!best) {
    const unfed = notFed(circuit);
    const why = first ? whyNot(first) : unfed ? [unfed] : [];
    if (why.length > 0) return completionOf(circuit, library, given, why);
  }
  return completionOf(circuit, library, best ?? bySingles(given, library, judge), []);
}

/** What takes more than a spring of the board carries comes on leads that pass it by, before anything else is chosen. */
function onThickLeads(circuit: Circuit): Circuit {
  const heavy = [...circuit.parts.values()].filter(
    ({ card, choice }) => choice && choice.gauge === undefined && !choice.locked && isHeavy(card),
  );
  if (heavy.length === 0) return circuit;
  const plan = heavy.reduce(
    (p, { id }) => changePart(p, id, (choice) => ({ ...choice, gauge: HEAVY_GAUGE })),
    circuit.plan,
  );
  return deriveCircuit({ plan, cards: [...circuit.cards.values()] });
}

/** Completes to the end. */
export function complete(circuit: Circuit, library: Library): Completion {
  const steps = completeSteps(circuit, library);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

/** The best solution that the checks of the whole plan accept; the best of all where they accept none. */
function* solved(encoding: Encoding, judge: (plan: Plan) => Judged): Generator<Progress, Judged | null, Told> {
  let problem: Problem = encoding.problem;
  let first: Judged | null = null;
  for (let round = 0; round <= MAX_CUTS; round++) {
    const found: Found | null = yield* searchSteps(problem);
    if (!found) return first;
    const judged = judge(decode(encoding, found.taken));
    if (!first || grave(judged.verdict).length < grave(first.verdict).length) first = judged;
    // Whoever had enough of searching is not searched for again.
    if (!found.proved) return judged;
    const next = withoutThis(encoding, problem, found.taken, judged.circuit, grave(judged.verdict));
    if (!next) return judged;
    problem = next;
  }
  return first;
}

/** What is left is ended finding by finding, by the remedy that ends most. */
function bySingles(from: Judged, library: Library, judge: (plan: Plan) => Judged): Judged {
  let now = from;
  for (let round = 0; round < MAX_SINGLE; round++) {
    const remedy = grave(now.verdict)
      .flatMap((finding) => proposeRemedies(now.circuit, now.verdict, finding, library).slice(0, 1))
      .find(({ deepens }) => deepens.length === 0);
    if (!remedy) break;
    now = judge(remedy.plan);
  }
  return now;
}

function completionOf(
  before: Circuit,
  library: Library,
  { plan, circuit, verdict }: Judged,
  why: readonly WhyNot[],
): Completion {
  return {
    plan,
    verdict,
    changes: describeChanges(planChanges(before.plan, plan), before, circuit),
    cost: piecesCost(plan, library) - piecesCost(before.plan, library),
    pieces: plan.parts.length + plan.helpers.length - before.plan.parts.length - before.plan.helpers.length,
    left: grave(verdict),
    why,
  };
}
