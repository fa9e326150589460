import type { Problem } from '../plan/references.ts';

/** Files larger than this are not read, in characters. */
export const LARGEST_FILE = 8_000_000;

/** Parses JSON; a text that is none becomes one problem that says where. */
export function parseJson(text: string): { ok: true; value: unknown } | { ok: false; problems: Problem[] } {
  if (text.length > LARGEST_FILE) {
    return {
      ok: false,
      problems: [{ path: '', message: `expected at most ${LARGEST_FILE} characters, found ${text.length}` }],
    };
  }
  if (text.trim() === '') return { ok: false, problems: [{ path: '', message: 'expected JSON, found an empty file' }] };
  try {
    return { ok: true, value: JSON.parse(text) as unknown };
  } catch (error) {
    const message = error instanceof Error ? error.message : String(error);
    const position = Number(
      message.match(/position (\d+)/)?.[1] ?? (/end of|Unterminated/.test(message) ? text.length : NaN),
    );
    const where = Number.isNaN(position) ? '' : ` at ${lineColumn(text, position)}`;
    const cut = position >= text.length - 1 ? '; the file seems to be cut off' : '';
    return { ok: false, problems: [{ path: '', message: `expected JSON, found something else${where}${cut}` }] };
  }
}

function lineColumn(text: string, position: number): string {
  const before = text.slice(0, position).split('\n');
  return `line ${before.length}, column ${(before.at(-1)?.length ?? 0) + 1}`;
}
