import { expect } from 'chai';
import type { Card } from '@idle-breadboard/core/card';
import { expose } from 'comlink';
import { Thread, type WorkerLike } from '../src/lib/worker/thread.ts';

interface Slow {
  /** Answers after so many milliseconds, and tells of each on the way. */
  wait(name: string, ms: number, hear: (now: string) => void): Promise<string>;
  fails(): Promise<string>;
  /** Answers, and tells how far it is only then. */
  tellsLate(hear: (now: string) => void): Promise<string>;
}

/** Stands in for a worker: the same messages over a channel. */
function channel(): { worker: WorkerLike; crash: (message: string) => void; ended: () => boolean } {
  const { port1, port2 } = new MessageChannel();
  const crashes = new EventTarget();
  let ended = false;
  const slow: Slow = {
    async wait(name, ms, hear) {
      for (let i = 0; i < ms; i += 5) {
        await new Promise((go) => setTimeout(go, 5));
        hear(`${name} ${i}`);
      }
      return name;
    },
    fails: () => Promise.reject(new Error('the sum cannot be made')),
    tellsLate: (hear) => {
      setTimeout(() => hear('late'), 20);
      return Promise.resolve('done');
    },
  };
  expose(slow, port2);
  const listening = (type: string) => (type === 'error' ? crashes : port1);
  return {
    worker: {
      postMessage: (message: unknown, transfer?: Transferable[]) => port1.postMessage(message, transfer ?? []),
      addEventListener: (type, listener) => listening(type).addEventListener(type, listener),
      removeEventListener: (type, listener) => listening(type).removeEventListener(type, listener),
      start: () => port1.start(),
      terminate: () => {
        ended = true;
        port1.close();
      },
    },
    crash: (message) => crashes.dispatchEvent(Object.assign(new Event('error'), { message })),
    ended: () => ended,
  };
}

describe('a thread beside the page', () => {
  const open: Thread<Slow>[] = [];
  const threadOf = (begin: () => WorkerLike): Thread<Slow> => {
    const thread = new Thread<Slow>(begin);
    open.push(thread);
    return thread;
  };
  afterEach(() => {
    for (const thread of open.splice(0)) thread.end();
  });

  it('answers the newest question alone, and tells of its progress alone', async () => {
    const thread = threadOf(() => channel().worker);
    const heard: string[] = [];
    const ask = (name: string, ms: number, about?: string) =>
      thread.newest(
        (calls, whileNewest) =>
          calls.wait(
            name,
            ms,
            whileNewest((now: string) => heard.push(now)),
          ),
        about,
      );
    const older = ask('older', 40);
    const beside = ask('beside', 20, 'another matter');
    const newer = ask('newer', 20);
    expect(await Promise.all([older, beside, newer])).to.deep.equal([null, 'beside', 'newer']);
    expect(heard.some((now) => now.startsWith('older'))).to.equal(false);
    expect(heard.some((now) => now.startsWith('newer'))).to.equal(true);
  });

  it('hears nothing more of what is answered', async () => {
    const thread = threadOf(() => channel().worker);
    const heard: string[] = [];
    const late = thread.newest((calls, whileNewest) => calls.tellsLate(whileNewest((now: string) => heard.push(now))));
    expect(await late).to.equal('done');
    await new Promise((go) => setTimeout(go, 60));
    expect(heard).to.deep.equal([]);
  });

  it('lets nobody wait for what was ended, and begins another when it is asked again', async () => {
    const made: ReturnType<typeof channel>[] = [];
    const thread = threadOf(() => {
      const one = channel();
      made.push(one);
      return one.worker;
    });
    const waiting = thread.newest((calls, whileNewest) =>
      calls.wait(
        'never',
        60_000,
        whileNewest(() => undefined),
      ),
    );
    thread.end();
    expect(await waiting).to.equal(null);
    expect(made[0]?.ended()).to.equal(true);
    const again = await thread.newest((calls, whileNewest) =>
      calls.wait(
        'again',
        5,
        whileNewest(() => undefined),
      ),
    );
    expect([again, made.length]).to.deep.equal(['again', 2]);
  });

  it('hands what goes wrong to whoever asked', async () => {
    const made: ReturnType<typeof channel>[] = [];
    const thread = threadOf(() => {
      const one = channel();
      made.push(one);
      return one.worker;
    });
    const said = (asked: Promise<unknown>) => asked.then(String, (error: unknown) => String(error));
    expect(await said(thread.newest((calls) => calls.fails()))).to.equal('Error: the sum cannot be made');
    const waiting = said(
      thread.newest((calls, whileNewest) =>
        calls.wait(
          'never',
          60_000,
          whileNewest(() => undefined),
        ),
      ),
    );
    made[0]?.crash('out of memory');
    expect(await waiting).to.equal('Error: out of memory');
    const again = thread.newest((calls, whileNewest) =>
      calls.wait(
        'again',
        5,
        whileNewest(() => undefined),
      ),
    );
    expect(await said(again)).to.equal('again');
    expect(made).to.have.length(2);
    made[0]?.worker.terminate();
  });

  it('sends cards once, and anew to a thread that was begun anew', () => {
    const thread = threadOf(() => channel().worker);
    const cards = [{ id: 'a' }, { id: 'b' }] as unknown as Card[];
    expect(thread.fresh(cards)).to.equal(cards);
    expect(thread.fresh([...cards])).to.equal(null);
    // What they are to it is told apart.
    expect(thread.fresh(cards, 'library')).to.equal(cards);
    expect(thread.fresh(cards, 'library')).to.equal(null);
    expect(thread.fresh([...cards])).to.equal(null);
    expect(thread.fresh(cards.slice(0, 1))).to.have.length(1);
    thread.end();
    expect(thread.fresh(cards.slice(0, 1))).to.have.length(1);
  });
});
