import { json } from '@sveltejs/kit';
import { catalogue } from '$lib/server/catalogue';
import type { RequestHandler } from './$types';

/** The cards that ship with the app: data, kept out of the first screen's script. */
export const GET: RequestHandler = () => json({ cards: [...catalogue.values()] });
