import { jsonSchema } from '@idle-breadboard/core/files';
import { problem } from '$lib/problem-json';
import type { RequestHandler } from './$types';

/** The JSON Schema of a card or plan file. */
export const GET: RequestHandler = ({ params }) => {
  if (params.of !== 'card' && params.of !== 'plan')
    return problem(404, 'Not Found', `expected card or plan, found ${params.of}`);
  return new Response(JSON.stringify(jsonSchema(params.of)), {
    headers: { 'content-type': 'application/schema+json' },
  });
};
