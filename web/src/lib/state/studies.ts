/** The studies of plans: asked of their thread, kept for a while, and worked out ahead for what somebody points at. */
import type { Card } from '@idle-breadboard/core/card';
import type { Plan } from '@idle-breadboard/core/plan';
import { Recent, type OfPlan } from '../worker/recent';
import { Receiver, type Packed } from '../worker/sharing';
import type { Study, StudyWorker } from '../worker/study';
import type { Thread } from '../worker/thread';

/** ms for which something is pointed at before it is worked out: who only passes over it asks for nothing. */
const POINTED = 30;

interface Known extends OfPlan {
  readonly study: Study;
}

export class Studies {
  private readonly receiver = new Receiver();
  private readonly recent = new Recent<Known>();
  private pointing: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly thread: Thread<StudyWorker>) {}

  /** What is known of a plan, without asking. */
  known(plan: Plan, cards: readonly Card[]): Study | null {
    return this.recent.find(plan, cards)?.study ?? null;
  }

  /**
   * Asks the thread, for which it is the plan in hand from now on.
   * @returns null once another was asked for
   * @throws Error what went wrong in the thread
   */
  async of(plan: Plan, cards: readonly Card[]): Promise<Study | null> {
    this.letBe();
    return this.thread.newest((calls) => this.take(plan, cards, calls.study(plan, this.thread.fresh(cards))));
  }

  /** A plan that may be the next one. */
  foresee(plan: Plan, cards: readonly Card[]): void {
    if (this.known(plan, cards)) return;
    // What goes wrong is said when it is taken.
    this.take(plan, cards, this.thread.calls.foresee(plan, this.thread.fresh(cards))).catch(() => undefined);
  }

  /** The same of one that somebody points at what would make it, and of no other that was pointed at a moment ago. */
  point(plan: Plan, cards: readonly Card[]): void {
    this.letBe();
    this.pointing = setTimeout(() => this.foresee(plan, cards), POINTED);
  }

  letBe(): void {
    clearTimeout(this.pointing);
  }

  /** Whoever works it out begins anew. */
  forget(): void {
    this.letBe();
    this.recent.clear();
  }

  /** Every answer is unpacked, in the order in which they come, also where nobody waits for it any more. */
  private async take(plan: Plan, cards: readonly Card[], answer: Promise<Packed<Study>>) {
    const study = this.receiver.unpack(await answer);
    this.recent.put({ plan, cards, study });
    return study;
  }
}
