import type { RequestHandler } from './$types';

export const GET: RequestHandler = () => new Response('ok\n', { headers: { 'content-type': 'text/plain' } });
