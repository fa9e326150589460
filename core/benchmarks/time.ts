/** Times a function on a noisy machine: many short runs, the middle one counts. */
export function middle(run: () => void, atLeast = 400): number {
  for (let i = 0; i < 20; i++) run();
  const times: number[] = [];
  const began = performance.now();
  while (performance.now() - began < atLeast || times.length < 15) {
    const start = performance.now();
    run();
    times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  return times[times.length >> 1] ?? NaN;
}

/** The middle one of some times. */
export const middleOf = (times: readonly number[]): number => times.toSorted((a, b) => a - b)[times.length >> 1] ?? NaN;

export const ms = (time: number): string => `${time < 10 ? time.toFixed(2) : time.toFixed(1)} ms`;

/** The exponent k of time ~ size^k, by least squares over the logarithms. */
export function exponent(points: readonly (readonly [size: number, time: number])[]): number {
  const logs = points.map(([size, time]) => [Math.log(size), Math.log(time)] as const);
  const meanX = logs.reduce((sum, [x]) => sum + x, 0) / logs.length;
  const meanY = logs.reduce((sum, [, y]) => sum + y, 0) / logs.length;
  const over = logs.reduce((sum, [x, y]) => sum + (x - meanX) * (y - meanY), 0);
  return over / logs.reduce((sum, [x]) => sum + (x - meanX) ** 2, 0);
}
