import { parse, type ParseError } from 'jsonc-parser';
import { expected, type Problem } from '../quantity/problem.ts';

/** Files larger than this are not read, in characters. */
const LARGEST_FILE = 8_000_000;

/** What is nested deeper is no plan, and could not be walked through. */
const DEEPEST = 60;

/** How deep a text nests, up to where it is too deep; strings are passed over. */
function depthOf(text: string): number {
  let depth = 0;
  let deepest = 0;
  let quoted = false;
  for (let i = 0; i < text.length && deepest <= DEEPEST; i++) {
    const letter = text[i];
    if (quoted) {
      if (letter === '\\') i++;
      else if (letter === '"') quoted = false;
    } else if (letter === '"') quoted = true;
    else if (letter === '[' || letter === '{') deepest = Math.max(deepest, ++depth);
    else if (letter === ']' || letter === '}') depth--;
  }
  return deepest;
}

/** Parses JSON; a text that is none becomes one problem that says where. */
export function parseJson(text: string): { ok: true; value: unknown } | { ok: false; problems: Problem[] } {
  if (text.length > LARGEST_FILE) {
    return {
      ok: false,
      problems: [{ path: '', message: expected('characters', { most: LARGEST_FILE, found: text.length }) }],
    };
  }
  if (text.trim() === '') return { ok: false, problems: [{ path: '', message: expected('emptyFile') }] };
  if (depthOf(text) > DEEPEST)
    return { ok: false, problems: [{ path: '', message: expected('depth', { most: DEEPEST }) }] };
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch {
    // Engines word their errors differently and some leave the place out; this parser always knows it.
    const errors: ParseError[] = [];
    parse(text, errors, { disallowComments: true });
    const position = errors[0]?.offset ?? 0;
    // A text cut inside a string is reported at the string's beginning.
    const cut = position + (errors[0]?.length ?? 0) >= text.trimEnd().length - 1;
    return { ok: false, problems: [{ path: '', message: expected('json', { ...lineColumn(text, position), cut }) }] };
  }
}

function lineColumn(text: string, position: number): { line: number; column: number } {
  const before = text.slice(0, position).split('\n');
  return { line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}
