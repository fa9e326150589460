import { answering, onlyPost } from '$lib/server/answer';

/** The plan file in the body laid out and wired, hole by hole. */
export const POST = answering('wiring', ['json', 'csv', 'svg']);
export const fallback = onlyPost;
