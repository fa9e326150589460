/** What is wrong with something that was read. */
import { type Message, tells, type Text } from './message.ts';

export interface Problem {
  /** Where in the file, as /plan/parts/3/card. */
  readonly path: string;
  /** What was expected there, and what was found. */
  readonly message: Message;
}

/** An issue of a schema's own, as Zod passes it on: the message goes with it as data. */
export const issueOf = (path: readonly (string | number)[], says: Message) => ({
  code: 'custom' as const,
  path: [...path],
  message: says.id,
  params: { says },
});

/** What is wrong with any file, whatever it is of. */
export interface ProblemSays {
  readonly kind: { expected: string; found: Text };
  readonly oneOf: { values: readonly string[]; found: Text };
  readonly noOthers: { found: readonly Text[] };
  readonly atMost: { limit: string; found: Text };
  readonly atLeast: { limit: string; found: Text };
  readonly form: { form: Text; found: Text };
  readonly otherForm: { found: Text };
  readonly knownKind: { found: Text };
  readonly object: { found: Text };
  readonly exactly: { expected: string; found: Text };
  readonly version: { version: number; found: Text };
  readonly newer: { version: number; found: number };
  readonly entries: { most: number; found: number };
  readonly idOnce: { found: string };
  readonly characters: { most: number; found: number };
  readonly noPath: null;
  readonly unreadable: { path: string; why: string };
  readonly depth: { most: number };
  readonly more: { count: number };
  readonly emptyFile: null;
  /** Of a table. */
  readonly closingMark: null;
  readonly heads: null;
  readonly lines: { most: number; found: number };
  readonly cells: { heads: number; found: number };
  readonly column: { found: readonly string[] };
  readonly json: { line: number; column: number; cut: boolean };
  readonly noFile: null;
  readonly steps: { readonly most: number; readonly found: number };
  readonly nothing: null;
  readonly null: null;
  readonly list: { count: number };
  readonly anObject: null;
  readonly text: { text: string };
}
export const expected = tells<ProblemSays>('problem');

/** How many problems there are, where only the first of them are listed and the last one counts the rest. */
export function problemCount(problems: readonly Problem[]): number {
  const last = problems.at(-1)?.message;
  return last?.topic === 'problem' && last.id === 'more' && typeof last.data['count'] === 'number'
    ? problems.length - 1 + last.data['count']
    : problems.length;
}
