/** What a work comes to that could be stopped after each step, and is not. */
export function atOnce<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
  }
}
