/** Datasheets that were read and left: each goes on where it was left, until a card is made of it. */
import type { StoredReview } from '../store/db';
import { dropReview, keepReview, leftReviews } from '../store/reviews';

export type LeftReview = StoredReview;

class Reviews {
  /** The one that was changed last comes first. */
  left = $state.raw<readonly LeftReview[]>([]);

  async refresh(): Promise<void> {
    this.left = await leftReviews();
  }
  keep = (review: LeftReview): Promise<string> => keepReview(review);

  async drop(id: string): Promise<void> {
    await dropReview(id);
    await this.refresh();
  }
}

export const reviews = new Reviews();
