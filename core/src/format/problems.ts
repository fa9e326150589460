/** What is wrong with a file, as data: where, what was expected, what was found. */
import type { z } from 'zod';
import { type Message, type Text, wordOf } from '../quantity/message.ts';
import { expected, type Problem } from '../quantity/problem.ts';

const pathText = (path: readonly PropertyKey[]): string =>
  path.map((key) => `/${String(key).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

function valueAt(root: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) => (value !== null && typeof value === 'object' ? Reflect.get(value, key) : undefined),
    root,
  );
}

/** What was found, short enough to be read. */
export function foundIn(value: unknown): Text {
  if (value === undefined) return expected('nothing');
  if (value === null) return expected('null');
  if (Array.isArray(value)) return expected('list', { count: value.length });
  if (typeof value === 'object') return expected('anObject');
  if (typeof value === 'string')
    return expected('text', { text: value.length > 60 ? `${value.slice(0, 57)}…` : value });
  return typeof value === 'number' || typeof value === 'boolean' ? String(value) : expected('nothing');
}

/** A message that a schema passes through Zod with an issue of its own. */
const saysOf = (issue: z.core.$ZodIssue): Message | undefined =>
  issue.code === 'custom' ? (issue.params?.says as Message | undefined) : undefined;

function messageOf(issue: z.core.$ZodIssue, found: Text): Message {
  switch (issue.code) {
    case 'invalid_type':
      return expected('kind', { expected: issue.expected, found });
    case 'invalid_value':
      return expected('oneOf', { values: issue.values.map(String), found });
    case 'unrecognized_keys':
      return expected('noOthers', { found: issue.keys.map(foundIn) });
    case 'too_big':
      return expected('atMost', { limit: String(issue.maximum), found });
    case 'too_small':
      return expected('atLeast', { limit: String(issue.minimum), found });
    case 'invalid_format':
      // A schema names the form that it wants by a code; where it names none, Zod has a sentence of its own.
      return issue.message.startsWith('Invalid')
        ? expected('otherForm', { found })
        : expected('form', { form: wordOf('form', issue.message), found });
    case 'invalid_union':
      return expected('knownKind', { found });
    default:
      return saysOf(issue) ?? expected('otherForm', { found });
  }
}

/** More are not read by anybody; a hostile file has hundreds of thousands. */
const MOST_LISTED = 100;

/** The first hundred of what is wrong, as problems; the rest is counted in one more (`problemCount`). */
export function capped<T>(wrong: readonly T[], problem: (one: T) => Problem): Problem[] {
  const left = wrong.length - MOST_LISTED;
  return [
    ...wrong.slice(0, MOST_LISTED).map(problem),
    ...(left > 0 ? [{ path: '', message: expected('more', { count: left }) }] : []),
  ];
}

/** The issues of Zod as problems: path, what was expected, what was found. */
export const problemsOf = (error: z.ZodError, input: unknown): Problem[] =>
  capped(error.issues, (issue) => ({
    path: pathText(issue.path),
    message: messageOf(issue, foundIn(valueAt(input, issue.path))),
  }));
