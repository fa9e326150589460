/** One of the things to choose among. */
export interface Choice {
  readonly value: string;
  readonly label: string;
  /** The figures that matter, in short. */
  readonly hint?: string;
  /** Strokes on a field of 48 by 32. */
  readonly drawing?: string;
}
