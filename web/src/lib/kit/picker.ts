/** What a picker offers. */
export interface PickerEntry {
  readonly id: string;
  readonly name: string;
  /** A second line. */
  readonly detail?: string;
  /** At the right end. */
  readonly hint: string;
  readonly run: () => void;
}

export interface PickerGroup {
  readonly name: string;
  readonly entries: readonly PickerEntry[];
}
