/** What works beside the page, each in a thread of its own. */
export const threads = {
  /** Verdict, remedies and files of the open plan. */
  study: () => new Worker(new URL('./study.worker.ts', import.meta.url), { type: 'module' }),
  /** Layout of the open plan and what is made of it. */
  lay: () => new Worker(new URL('./lay.worker.ts', import.meta.url), { type: 'module' }),
  /** The simulated bench and the fault finder. */
  bench: () => new Worker(new URL('./bench.worker.ts', import.meta.url), { type: 'module' }),
  /** Captures of instruments and logbooks that come in as files. */
  intake: () => new Worker(new URL('./intake.worker.ts', import.meta.url), { type: 'module' }),
  /** The plan that completes itself. */
  complete: () => new Worker(new URL('./complete.worker.ts', import.meta.url), { type: 'module' }),
  /** Whole sets of parts. */
  sets: () => new Worker(new URL('./sets.worker.ts', import.meta.url), { type: 'module' }),
  /** How an edge spreads when figures are drawn. */
  spread: () => new Worker(new URL('./spread.worker.ts', import.meta.url), { type: 'module' }),
  /** Whole sets for a build that is only picked so far. */
  start: () => new Worker(new URL('./start.worker.ts', import.meta.url), { type: 'module' }),
  /** What the shelf shows of each plan. */
  glance: () => new Worker(new URL('./glance.worker.ts', import.meta.url), { type: 'module' }),
  /** Datasheets. */
  read: () => new Worker(new URL('../reader/reader.worker.ts', import.meta.url), { type: 'module' }),
} as const;
