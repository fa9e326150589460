import { openApi } from '@idle-breadboard/core/files';
import { json } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** What the routes for programs take and answer, as OpenAPI describes it. */
export const GET: RequestHandler = () => json(openApi());
