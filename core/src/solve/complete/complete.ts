/** The plan that completes itself: everything that is open, settled together, and judged by every check at the end. */
import type { Library } from '../../card/library.ts';
import { verify } from '../../check/verify.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import type { Circuit } from '../../circuit/model.ts';
import { documentOf } from '../../plan/document.ts';
import type { Plan } from '../../plan/plan.ts';
import type { Progress, Told } from '../joint/found.ts';
import { carrierProblem } from './carrier-problem.ts';
import { type Completion, completionOf } from './completion.ts';
import { type Encoding, encode, encodeUnlessStuck } from './encode.ts';
import { type Judged, isBetter } from './judged.ts';
import { bySingles } from './singles.ts';
import { FURTHER, solved } from './solved.ts';
import { variantsOf } from './variants.ts';
import type { Memory } from './ways.ts';
import { notFed, whyNot } from './why-not.ts';

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
  let best: Judged | null = null;
  let stuck: string | null = null;
  const further = { left: FURTHER };
  for (const variant of variantsOf(circuit, library)) {
    const memory: Memory = new Map();
    let last: Encoding | null = null;
    let found: Judged | null = null;
    for (const againstRules of [false, true]) {
      // Where a part cannot be wired at all the others need not be tried, but to say why of the plan itself.
      const whole: boolean = againstRules && first === null;
      const tried: Encoding | { readonly stuck: string } | null = whole
        ? encode(variant, library, { againstRules, memory })
        : encodeUnlessStuck(variant, library, stuck, { againstRules, memory });
      if (!tried) break;
      if ('stuck' in tried) {
        stuck = tried.stuck;
        continue;
      }
      last = tried;
      found = yield* solved(last, judge, further, best !== null);
      if (found) break;
    }
    first ??= last;
    const settled: Judged | null = found && bySingles(found, library, judge);
    if (settled && (!best || isBetter(settled.verdict, best.verdict))) best = settled;
    if (best?.verdict.status === 'verified') break;
  }
  if (!best) {
    const unfed = notFed(circuit);
    const why = first ? whyNot(first) : unfed ? [unfed] : [];
    if (why.length > 0) return completionOf(circuit, library, given, why);
  }
  // What was found by settling everything together may still be worse than the given plan mended finding by finding.
  if (best?.verdict.status === 'verified') return completionOf(circuit, library, best, []);
  const singly = bySingles(given, library, judge);
  return completionOf(circuit, library, best && !isBetter(singly.verdict, best.verdict) ? best : singly, []);
}

/** Completes to the end. */
export function complete(circuit: Circuit, library: Library): Completion {
  const steps = completeSteps(circuit, library);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}
