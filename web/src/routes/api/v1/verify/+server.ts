import { problemCount } from '@idle-breadboard/core/plan';
import { counted } from '@idle-breadboard/core/words';
import { readPlan, reportOf } from '@idle-breadboard/core/files';
import { catalogue } from '$lib/server/catalogue';
import { problem, readBody } from '$lib/problem-json';
import type { RequestHandler } from './$types';

/** Verifies the plan file in the body; the answer is the report of docs/formats.md. */
export const POST: RequestHandler = async ({ request }) => {
  const body = await readBody(request);
  if (body instanceof Response) return body;
  const read = readPlan(body);
  if (!read.ok) {
    return problem(
      400,
      'Bad Request',
      `the plan has ${counted(problemCount(read.problems), 'problem')}`,
      read.problems,
    );
  }
  return new Response(JSON.stringify(reportOf(read.value, catalogue)), {
    headers: { 'content-type': 'application/json' },
  });
};

export const fallback: RequestHandler = () => problem(405, 'Method Not Allowed', 'expected POST');
