import { answering, onlyPost } from '$lib/server/answer';

/** Verifies the plan file in the body; the answer is the report of docs/formats.md. */
export const POST = answering('verify');
export const fallback = onlyPost;
