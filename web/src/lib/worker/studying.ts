/** Plans as they are studied one after the other: each is judged by what is different in it, and the last few are known. */
import type { Card } from '@idle-breadboard/core/card';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { fingerprint, type Plan, sharedWith } from '@idle-breadboard/core/plan';
import { type Trying, tryingOf, withMeasured } from '@idle-breadboard/core/verify';
import { Recent, type OfPlan } from './recent';
import { Sender, type Packed } from './sharing';
import type { Study } from './study';

/** A study with what was judged for it. */
interface Known extends OfPlan {
  readonly study: Study;
  readonly trying: Trying;
}

export class Studying {
  private readonly sender = new Sender();
  private readonly recent = new Recent<Known>();
  private hand: Known | null = null;
  private cards: readonly Card[] = [];

  /** The study of the plan in hand. */
  get last(): Study | null {
    return this.hand?.study ?? null;
  }

  /** @param cards null: those of the call before, here and below */
  study(plan: Plan, cards: readonly Card[] | null): Packed<Study> {
    this.hand = this.known(plan, cards);
    return this.sender.pack(this.hand.study);
  }

  /** A plan that may be the next one; the one in hand stays that. */
  foresee(plan: Plan, cards: readonly Card[] | null): Packed<Study> {
    return this.sender.pack(this.known(plan, cards).study);
  }

  /** A plan that is only looked at. */
  beside(plan: Plan, cards: readonly Card[]) {
    const circuit = deriveCircuit({ plan: this.shared(plan), cards: sharedWith(this.cards, cards) });
    return { circuit, verdict: tryingOf(circuit, this.hand?.trying).verdict };
  }

  /** Works out now what the next plan will ask for. */
  prepare(): void {
    this.hand?.trying.prepare();
  }

  /** A plan comes as a copy: what it has in common with the one in hand is taken from there. */
  private shared(plan: Plan): Plan {
    return sharedWith(this.hand?.study.circuit.plan, plan);
  }

  private known(copy: Plan, cards: readonly Card[] | null): Known {
    this.cards = sharedWith(this.cards, cards ?? this.cards);
    const document = { plan: this.shared(copy), cards: this.cards };
    const before = this.recent.find(document.plan, document.cards);
    if (before) return before;
    const circuit = deriveCircuit(document);
    const print = fingerprint(document);
    const trying = tryingOf(circuit, this.hand?.trying);
    const verdict = withMeasured(trying.verdict, document.plan.measured, print);
    const one = { ...document, trying, study: { fingerprint: print, circuit, verdict } };
    this.recent.put(one);
    return one;
  }
}
