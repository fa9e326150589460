import { answering, onlyPost } from '$lib/server/answer';

/** The whole build of the plan file in the body, line by line or as one picture. */
export const POST = answering('drawing', ['json', 'svg']);
export const fallback = onlyPost;
