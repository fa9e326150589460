/** What a search finds, and what it is told and tells meanwhile. */
import type { Goals } from './problem.ts';

export interface Progress {
  readonly nodes: number;
  /** Goals of the best solution so far; null before the first. */
  readonly best: Goals | null;
}

/** What the caller may say between two steps: that the best so far will do. */
export type Told = 'enough' | undefined;

export interface Found {
  /** Index of the option of each choice. */
  readonly taken: readonly number[];
  readonly cost: number;
  readonly goals: Goals;
  readonly nodes: number;
  /** False where the search was told that the best so far will do. */
  readonly proved: boolean;
}

export interface SearchOptions {
  /** Members that are given up. */
  readonly given?: ReadonlySet<number>;
  /** Stops at the first solution, whatever it costs. */
  readonly any?: boolean;
  /** Gives up after so many nodes, without an answer. */
  readonly most?: number;
  /** Nodes that this search and others may take together; what it takes is taken off. */
  readonly budget?: { left: number };
}
