/** What the table of facts says of each thing that a card can say and that is no figure. */
import type { Form, Json } from '../form.ts';

/** One answer at a place. */
interface Single {
  readonly form: Form;
}

/** Entries of a list, a line each. */
export interface Table {
  /** By the place in an entry; what is left blank is not said. */
  readonly rows: Readonly<Record<string, Form>>;
  /** For what is kept by names instead of in a list: the three columns are two names and what is under them. */
  readonly named?: true;
  /** What a blank cell stands for, where an entry has to have something there. */
  readonly blank?: Readonly<Record<string, Json>>;
}

export type Fact = Single | Table;
/** By their place in a card, "*" for each entry of a list. */
export type FactTable = Readonly<Record<string, Fact>>;

export const words = (most: number): Form => ({ is: 'words', most });
export const choice = (of: readonly string[]): Form => ({ is: 'choice', of });
export const several = (of: readonly string[]): Form => ({ is: 'several', of });
export const whole = (from: number, to: number): Form => ({ is: 'whole', from, to });
export const number = (unit: string): Form => ({ is: 'number', unit });
export const figure = (...units: readonly string[]): Form => ({ is: 'figure', units });
export const count = (...of: readonly number[]): Form => ({ is: 'count', of });
/** As many as there are. */
export const MANY = whole(1, Number.MAX_SAFE_INTEGER);
export const ID: Form = { is: 'id' };
export const FLAG: Form = { is: 'flag' };
export const MARK: Form = { is: 'mark' };
export const LIST: Form = { is: 'list' };
export const PAIRS: Form = { is: 'pairs' };
export const ADDRESS: Form = { is: 'address' };
export const WORD: Form = { is: 'word' };
export const REMOVABLE = choice(['jumper', 'solder', 'no']);
export const LEVEL = choice(['low', 'high']);
