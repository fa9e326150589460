/** A card as it is read: its shape, and that every name in it leads somewhere. */
import type { z } from 'zod';
import { checkCardReferences } from './card-references.ts';
import { CardShape } from './card-shape.ts';

export const Card = CardShape.superRefine((card, context) => {
  const issue = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message });
  for (const list of ['headers', 'terminals', 'supplies', 'rails', 'signals', 'ports'] as const) {
    const seen = new Set<string>();
    card[list]?.forEach(({ id }, i) => {
      if (seen.has(id)) issue([list, i, 'id'], `expected an id used once, found “${id}” again`);
      seen.add(id);
    });
  }
  checkCardReferences(card, issue);
});
export type Card = z.infer<typeof Card>;
