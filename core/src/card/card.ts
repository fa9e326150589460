/** A card as it is read: its shape, and that every name in it leads somewhere. */
import type { z } from 'zod';
import { issueOf } from '../quantity/problem.ts';
import { type Issue, checkCardReferences } from './card-references.ts';
import { expected } from './problem.ts';
import { CardShape } from './card-shape.ts';

export const Card = CardShape.superRefine((card, context) => {
  const issue: Issue = (path, says) => context.addIssue(issueOf(path, says));
  for (const list of ['headers', 'terminals', 'supplies', 'rails', 'signals', 'ports'] as const) {
    const seen = new Set<string>();
    card[list]?.forEach(({ id }, i) => {
      if (seen.has(id)) issue([list, i, 'id'], expected('idOnce', { found: id }));
      seen.add(id);
    });
  }
  checkCardReferences(card, issue);
});
export type Card = z.infer<typeof Card>;
