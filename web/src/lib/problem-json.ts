/** Answers of the server routes that say what is wrong, as RFC 9457 describes. */
import type { Problem } from '@idle-breadboard/core/plan';
import { sayProblems } from '@idle-breadboard/core/words';

export const problemText = (status: number, title: string, detail: string, problems: readonly Problem[] = []): string =>
  JSON.stringify({ type: 'about:blank', title, status, detail, problems: sayProblems(problems) });

export const problem = (status: number, title: string, detail: string): Response =>
  new Response(problemText(status, title, detail), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  });

/** Larger bodies are not read, in bytes. */
const LARGEST_BODY = 8_000_000;
/** So much of one that is too large is still taken from its sender. */
const MOST_DRAINED = 64_000_000;

/**
 * Reads a JSON body.
 * @returns the text, or the answer to give: 415 for another type, 413 for too large
 */
export async function readBody(request: Request): Promise<string | Response> {
  const type = request.headers.get('content-type')?.split(';')[0]?.trim().toLowerCase();
  if (type !== 'application/json') {
    return problem(415, 'Unsupported Media Type', `expected application/json, found ${type ?? 'no content type'}`);
  }
  const tooLarge = () => problem(413, 'Content Too Large', `expected at most ${LARGEST_BODY} bytes`);
  if (Number(request.headers.get('content-length') ?? 0) > LARGEST_BODY) return tooLarge();
  try {
    const reader = request.body?.getReader();
    const chunks: Uint8Array[] = [];
    let size = 0;
    for (let part = await reader?.read(); part && !part.done; part = await reader?.read()) {
      size += part.value.byteLength;
      if (size <= LARGEST_BODY) chunks.push(part.value);
      else chunks.length = 0;
      // Read to its end, for whoever is still sending hears no answer; but not without end.
      if (size > MOST_DRAINED) {
        await reader?.cancel();
        return tooLarge();
      }
    }
    if (size > LARGEST_BODY) return tooLarge();
    return new TextDecoder().decode(await new Blob(chunks as BlobPart[]).arrayBuffer());
  } catch (error) {
    if (error !== null && typeof error === 'object' && Reflect.get(error, 'status') === 413) return tooLarge();
    return problem(400, 'Bad Request', 'the body could not be read');
  }
}
