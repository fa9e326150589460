/** Which checks ask for a figure of a card. */
import type { FigureId } from '../card/figures.ts';
import { perKey } from '../quantity/memo.ts';
import { type CheckId, CHECKS } from './registry.ts';

/** In the order of the work; none for what only layout, bench or bring-up use. */
export const asksFor = perKey(500, (figure: FigureId): readonly CheckId[] =>
  CHECKS.filter(({ meta }) => (meta.reads as readonly FigureId[]).includes(figure)).map(({ meta }) => meta.id),
);
