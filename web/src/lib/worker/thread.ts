/**
 * A thread beside the page and the one way in which each is asked: it begins when it is first needed, the newest question wins, what takes
 * time tells how far it is and can be ended, and what goes wrong in it comes back to whoever asked.
 */
import type { Card } from '@idle-breadboard/core/card';
import { proxy, wrap, type Endpoint, type ProxyMarked, type Remote } from 'comlink';

/** What of a worker is used. */
export type WorkerLike = Endpoint & Pick<Worker, 'terminate'>;

/** Makes a listener that hears nothing any more once something newer was asked. */
type WhileNewest = <P>(hear: (now: P) => void) => ((now: P) => void) & ProxyMarked;

export class Thread<T> {
  private running: { worker: WorkerLike; calls: Remote<T>; gone: Promise<never>; fail: (why: Error) => void } | null =
    null;
  /** Cards that it has, by what they are to it. */
  private readonly sent = new Map<string, readonly Card[]>();
  /** The newest question about each matter, and what ends the waiting for it. */
  private readonly asked = new Map<string, { readonly release: () => void }>();

  constructor(private readonly begin: () => WorkerLike) {}

  /** For questions that are answered at once, and whose answer does not grow old. */
  get calls(): Remote<T> {
    return this.there.calls;
  }

  private get there(): NonNullable<Thread<T>['running']> {
    if (this.running) return this.running;
    const worker = this.begin();
    let fail = (_: Error): void => undefined;
    const gone = new Promise<never>((_, reject) => (fail = reject));
    // Nobody has to wait for it.
    gone.catch(() => undefined);
    worker.addEventListener('error', (event) => {
      const says = 'message' in event && typeof event.message === 'string' ? event.message : '';
      fail(new Error(says || 'A part of the application could not be started.'));
      this.forget();
    });
    this.sent.clear();
    this.running = { worker, calls: wrap<T>(worker), gone, fail };
    return this.running;
  }

  /**
   * Cards for a question; null where the thread has these already.
   * @param as what they are to it: it keeps one list of each
   */
  fresh(cards: readonly Card[], as: 'plan' | 'library' = 'plan'): readonly Card[] | null {
    void this.there;
    const sent = this.sent.get(as) ?? [];
    const same = cards.length === sent.length && cards.every((card, i) => card === sent[i]);
    this.sent.set(as, cards);
    return same ? null : cards;
  }

  /**
   * Asks what only the newest question needs an answer to.
   * @param about questions about other matters do not overtake it
   * @returns null once something newer was asked or the thread was ended
   * @throws Error what went wrong in the thread
   */
  async newest<R>(ask: (calls: Remote<T>, whileNewest: WhileNewest) => Promise<R>, about = 'all'): Promise<R | null> {
    this.asked.get(about)?.release();
    let release = (): void => undefined;
    const released = new Promise<null>((resolve) => (release = () => resolve(null)));
    const mine = { release };
    this.asked.set(about, mine);
    const isNewest = () => this.asked.get(about) === mine;
    const { calls, gone } = this.there;
    const answer = ask(calls, (hear) => proxy((now) => (isNewest() ? hear(now) : undefined)));
    try {
      const found = await Promise.race([answer, gone, released]);
      return isNewest() ? found : null;
    } catch (error) {
      if (!isNewest()) return null;
      throw error;
    } finally {
      // How far it is comes by another way than the answer, and may come after it: then nobody hears it any more.
      if (isNewest()) this.asked.delete(about);
    }
  }

  /** Ends it, whatever it is at; the next question begins another. */
  end(): void {
    for (const { release } of this.asked.values()) release();
    this.asked.clear();
    this.running?.worker.terminate();
    this.forget();
  }

  private forget(): void {
    this.running = null;
    this.sent.clear();
  }
}
