/** The worker of the pool: does one job after another. It is built on its own, see `vite.work.config.ts`. */
import { doJob, type Answer, type Job } from './jobs';

export interface Timed extends Answer {
  /** How long it took, without the wait for a thread. */
  readonly seconds: number;
}

/** @public the pool calls it by its place in the file */
export default function work(job: Job): Timed {
  const began = performance.now();
  return { ...doJob(job), seconds: (performance.now() - began) / 1000 };
}
