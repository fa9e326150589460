/** The routes that take a plan file: what they have in common. */
import type { RequestHandler } from '@sveltejs/kit';
import { problem, readBody } from '../problem-json';
import type { Job, JobName } from './jobs';
import { Busy, MOST_MEMORY, MOST_SECONDS, run, TooLarge, TooLong } from './pool';

const UNPROCESSABLE = [422, 'Unprocessable Content'] as const;

function refusal(error: unknown): Response {
  if (error instanceof Busy) {
    const answer = problem(429, 'Too Many Requests', `${error.message}: try again in ${error.seconds} s`);
    answer.headers.set('retry-after', String(error.seconds));
    return answer;
  }
  if (error instanceof TooLong)
    return problem(...UNPROCESSABLE, `the plan was not worked out within ${MOST_SECONDS} s`);
  if (error instanceof TooLarge)
    return problem(...UNPROCESSABLE, `the plan needs more than ${MOST_MEMORY} MB to be worked out`);
  const why = error instanceof Error ? error.message : String(error);
  return problem(500, 'Internal Server Error', `the program failed at this plan, which it should never do: ${why}`);
}

/** Does something with a signal that is aborted once whoever asked has hung up: the request itself tells only of a body that was cut off. */
async function whileThere<T>(platform: App.Platform | undefined, act: (gone: AbortSignal) => Promise<T>): Promise<T> {
  const gone = new AbortController();
  const hungUp = () => gone.abort();
  platform?.req.socket.once('close', hungUp);
  try {
    return await act(gone.signal);
  } finally {
    // The connection goes on to other requests.
    platform?.req.socket.off('close', hungUp);
  }
}

/** @param forms in which the answer can be had, the usual one first; `?as=` chooses */
export function answering(job: JobName, forms: readonly Job['as'][] = ['json']): RequestHandler {
  return async ({ request, url, platform }) => {
    const asked = url.searchParams.get('as') ?? forms[0];
    const as = forms.find((form) => form === asked);
    if (!as) return problem(400, 'Bad Request', `expected as=${forms.join(' or ')}, found ${asked}`);
    const text = await readBody(request);
    if (text instanceof Response) return text;
    try {
      const { status, type, text: body } = await whileThere(platform, (gone) => run({ job, text, as }, gone));
      return new Response(body, { status, headers: { 'content-type': type } });
    } catch (error) {
      return refusal(error);
    }
  };
}

export const onlyPost: RequestHandler = () => problem(405, 'Method Not Allowed', 'expected POST');
