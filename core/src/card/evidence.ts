/** Where figures come from, strongest first. */
export const EVIDENCE = ['measured', 'datasheet', 'seller', 'class-typical', 'memory'] as const;
export type Evidence = (typeof EVIDENCE)[number];

/** A result that rests on one of these is "on trust". */
export const ASSUMED: ReadonlySet<Evidence> = new Set<Evidence>(['class-typical', 'memory']);

/** The weakest of several; measured when nothing is given. @example weakest(['measured', 'seller']) === 'seller' */
export const weakest = (kinds: readonly Evidence[]): Evidence =>
  EVIDENCE[Math.max(0, ...kinds.map((kind) => EVIDENCE.indexOf(kind)))] ?? 'measured';
