import { hasRoom } from '$lib/server/pool';
import type { RequestHandler } from './$types';

/** Whether this copy of the server takes work: a balancer asks. */
export const GET: RequestHandler = () =>
  new Response(hasRoom() ? 'ready\n' : 'busy\n', {
    status: hasRoom() ? 200 : 503,
    headers: { 'content-type': 'text/plain' },
  });
