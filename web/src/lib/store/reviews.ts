/** Reviews that were left: what was read, what was decided, and the document. */
import { shelf, type StoredReview } from './db';

/** The one that was changed last comes first. */
export const leftReviews = (): Promise<StoredReview[]> => shelf.reviews.orderBy('changed').reverse().toArray();

export const keepReview = (review: StoredReview): Promise<string> => shelf.reviews.put(review);
export const keepDocument = (id: string, data: Blob): Promise<string> => shelf.reviewFiles.put({ id, data });
export const documentOf = async (id: string): Promise<Blob | null> => (await shelf.reviewFiles.get(id))?.data ?? null;

export async function dropReview(id: string): Promise<void> {
  await shelf.transaction('rw', shelf.reviews, shelf.reviewFiles, async () => {
    await shelf.reviews.delete(id);
    await shelf.reviewFiles.delete(id);
  });
}
