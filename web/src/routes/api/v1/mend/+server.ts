import { answering, onlyPost } from '$lib/server/answer';

/** What completes the plan file in the body: the changes, how it then stands, and the file. */
export const POST = answering('mend');
export const fallback = onlyPost;
