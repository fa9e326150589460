import { answering, onlyPost } from '$lib/server/answer';

/** What has to be bought for the plan file in the body. */
export const POST = answering('parts', ['json', 'csv']);
export const fallback = onlyPost;
