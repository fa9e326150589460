/** Heavy work beside the server's thread: so many at a time, so many waiting, so long and no longer, so much memory and no more. */
import { availableParallelism } from 'node:os';
import { env } from '$env/dynamic/private';
import { Piscina } from 'piscina';
import type { Answer, Job } from './jobs';
import type { Timed } from './work';

/** One processor is left to answer with. */
const THREADS = Math.max(1, availableParallelism() - 1);
/** Jobs that may wait for a thread: more would only be answered after their senders have given up. */
const MOST_WAITING = 32;
/** A job takes no longer than this, from its arrival on, s. */
export const MOST_SECONDS = Number(env.IDLE_JOB_SECONDS ?? 20);
/** MB that a thread may take. */
export const MOST_MEMORY = 768;
/** Where the built worker lies, which `server.mjs` says; `vite dev` has none, and works in its own thread. */
const WORK = env.IDLE_WORK;

/** There is no room: try again after so many seconds. */
export class Busy extends Error {
  constructor(readonly seconds: number) {
    super('too many jobs are waiting');
  }
}
export class TooLong extends Error {}
export class TooLarge extends Error {}

let pool: Piscina<Job, Timed> | null = null;
/** Mean time of a job so far, s. */
let mean = 0.5;

function started(filename: string): Piscina<Job, Timed> {
  if (pool) return pool;
  const begun = new Piscina<Job, Timed>({
    filename,
    minThreads: 1,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY },
  });
  process.once('sveltekit:shutdown', () => void begun.close());
  pool = begun;
  return begun;
}

/** How long a job that comes now waits for a thread, s. */
const wait = (): number => ((pool?.queueSize ?? 0) * mean) / THREADS;

/** Whether another job would be taken: one that only waits its time away is not. */
export const hasRoom = (): boolean => (pool?.queueSize ?? 0) < MOST_WAITING && wait() < MOST_SECONDS / 2;

/**
 * @param gone tells that nobody waits for the answer any more: what is under way is stopped
 * @throws Busy, TooLong, TooLarge, or what the job failed with
 */
export async function run(job: Job, gone: AbortSignal): Promise<Answer> {
  if (!WORK) return (await import('./jobs')).doJob(job);
  const threads = started(WORK);
  if (!hasRoom()) throw new Busy(Math.max(1, Math.ceil(wait())));
  const limit = AbortSignal.timeout(MOST_SECONDS * 1000);
  try {
    // A job that is stopped takes its thread with it; the pool begins another.
    const answer = await threads.run(job, { signal: AbortSignal.any([gone, limit]) });
    mean = 0.9 * mean + 0.1 * answer.seconds;
    return answer;
  } catch (error) {
    if (limit.aborted && !gone.aborted) throw new TooLong();
    if (error instanceof Error && Reflect.get(error, 'code') === 'ERR_WORKER_OUT_OF_MEMORY') throw new TooLarge();
    throw error;
  }
}
