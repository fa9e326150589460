/** One of the things to choose among. */
export interface Choice {
  readonly value: string;
  readonly label: string;
  /** The figures that matter, in short. */
  readonly hint?: string | undefined;
  /** Strokes on a field of 48 by 32. */
  readonly drawing?: string | undefined;
  /** Stands under this head, with those before and after it that have the same. */
  readonly group?: string | undefined;
  /** Shown where it is what holds, but not to be taken. */
  readonly disabled?: boolean | undefined;
}

/** Choices that are called by their own words. */
export const wordsAsChoices = (words: readonly string[]): Choice[] => words.map((value) => ({ value, label: value }));

/** Runs of choices under their heads, in their order. */
export function groupsOf(choices: readonly Choice[]): { group: string | undefined; choices: Choice[] }[] {
  const groups: { group: string | undefined; choices: Choice[] }[] = [];
  for (const choice of choices) {
    const last = groups.at(-1);
    if (last && last.group === choice.group) last.choices.push(choice);
    else groups.push({ group: choice.group, choices: [choice] });
  }
  return groups;
}

/** What every field that chooses is told. */
export interface ChoiceField {
  label: string;
  choices: readonly Choice[];
  value: string;
  /** What is shown while nothing that is chosen is among the choices. */
  placeholder?: string;
  disabled?: boolean;
  invalid?: boolean;
  class?: string;
  /** To change it does nothing but edit the plan: what it would make is worked out while somebody points at a choice. */
  ahead?: boolean;
  onkeydown?: ((event: KeyboardEvent) => void) | undefined;
  [data: `data-${string}`]: unknown;
}
