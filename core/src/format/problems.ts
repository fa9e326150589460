import type { z } from 'zod';
import type { Problem } from '../plan/references.ts';

const pathText = (path: readonly PropertyKey[]): string =>
  path.map((key) => `/${String(key).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');

function valueAt(root: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>(
    (value, key) => (value !== null && typeof value === 'object' ? Reflect.get(value, key) : undefined),
    root,
  );
}

/** What was found, short enough to be read. */
export function describe(value: unknown): string {
  if (value === undefined) return 'nothing';
  if (value === null) return 'null';
  if (Array.isArray(value)) return `a list of ${value.length}`;
  if (typeof value === 'object') return 'an object';
  if (typeof value === 'string') return `“${value.length > 60 ? `${value.slice(0, 57)}…` : value}”`;
  return String(value);
}

/** The issues of Zod as problems: path, what was expected, what was found. */
export function problemsOf(error: z.ZodError, input: unknown): Problem[] {
  return error.issues.map((issue) => {
    const path = pathText(issue.path);
    const found = describe(valueAt(input, issue.path));
    switch (issue.code) {
      case 'invalid_type':
        return { path, message: `expected ${issue.expected}, found ${found}` };
      case 'invalid_value':
        return { path, message: `expected ${issue.values.map(String).join(' or ')}, found ${found}` };
      case 'unrecognized_keys':
        return { path, message: `expected no other entries, found ${issue.keys.map(describe).join(', ')}` };
      case 'too_big':
        return { path, message: `expected at most ${issue.maximum}, found ${found}` };
      case 'too_small':
        return { path, message: `expected at least ${issue.minimum}, found ${found}` };
      case 'invalid_format':
        return { path, message: `expected ${expectedFormat(issue.message)}, found ${found}` };
      case 'invalid_union':
        return { path, message: `expected one of the known kinds, found ${found}` };
      default:
        return { path, message: issue.message };
    }
  });
}

const expectedFormat = (message: string) => (message.startsWith('Invalid') ? 'another form' : message);
