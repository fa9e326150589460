import { answering, onlyPost } from '$lib/server/answer';

/** What the software of the plan file in the body must be told, as data or as a file for it. */
export const POST = answering('settings', ['json', 'c', 'python', 'overlay']);
export const fallback = onlyPost;
