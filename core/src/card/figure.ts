import { z } from 'zod';
import type { Message } from '../quantity/message.ts';
import { issueOf } from '../quantity/problem.ts';
import { expected, form } from './problem.ts';
import { amountTrouble, boundsOf, mayBeNothing } from './bounds.ts';
import { EVIDENCE } from './evidence.ts';

/** No control characters, half pairs, or marks that turn the order of what is read: nobody types them into a name. */
const PLAIN = /^[^\p{Cc}\p{Cs}\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]*$/u;

export const text = (most: number) => z.string().trim().min(1).max(most).regex(PLAIN, form('plainText'));

/** Ids name things inside a file; they are lower case so that two never differ by case alone. */
export const Id = z
  .string()
  .max(48)
  // What every object has by that name is no thing of a plan.
  .regex(/^(?!constructor$)[a-z0-9][a-z0-9-]*$/, form('id'));
export type Id = z.infer<typeof Id>;

export const Source = z.strictObject({
  kind: z.enum(EVIDENCE),
  title: text(160),
  revision: text(40).optional(),
  page: z.int().positive().optional(),
});
export type Source = z.infer<typeof Source>;

const bounds = {
  min: z.number().optional(),
  typ: z.number().optional(),
  max: z.number().optional(),
  conditions: text(160).optional(),
  /** Key of the card's `sources`. */
  source: Id,
};

function checkBounds(
  figure: { min?: number; typ?: number; max?: number; unit: string },
  issue: (says: Message) => void,
) {
  const given = [figure.min, figure.typ, figure.max].filter((value) => value !== undefined);
  if (given.length === 0) issue(expected('anyBound'));
  if (given.some((value, i) => i > 0 && value < (given[i - 1] ?? value))) {
    issue(expected('boundsInOrder', { found: given.map(String) }));
  }
  const { unit } = figure;
  const { least, most } = boundsOf(unit);
  for (const value of given) {
    const trouble = amountTrouble(value, unit);
    if (trouble === 'negative') issue(expected('notNegative', { unit, found: String(value) }));
    if (trouble === 'beyond') issue(expected('beyond', { unit, least, most, found: String(value) }));
  }
  if (Math.max(...given) === 0 && !mayBeNothing(unit)) issue(expected('nothingAtAll', { unit }));
}

/** A figure in the named SI unit. */
export const figure = <U extends string>(...units: [U, ...U[]]) =>
  z
    .strictObject({ ...bounds, unit: z.enum(units) })
    .superRefine((value, context) => checkBounds(value as never, (says) => context.addIssue(issueOf([], says))));

/**
 * An input threshold: what is guaranteed, and beside it where the input usually switches. The usual one lies on the easy side of the
 * guaranteed one - a high that must be 3.5 V is usually read from 2.5 V on - so the two stand in no order.
 */
export const ThresholdFigure = z
  .strictObject({ ...bounds, unit: z.enum(['V', 'share', 'offset']) })
  .superRefine(({ typ: _usual, ...guaranteed }, context) => {
    if (guaranteed.min === undefined && guaranteed.max === undefined)
      context.addIssue(issueOf([], expected('guaranteed')));
    else checkBounds(guaranteed as never, (says) => context.addIssue(issueOf([], says)));
  });

export type Figure<U extends string = string> = {
  min?: number | undefined;
  typ?: number | undefined;
  max?: number | undefined;
  conditions?: string | undefined;
  source: string;
  unit: U;
};

/** A level: in volts, as a share of the supply, or in volts above the supply. */
export const LevelFigure = figure('V', 'share', 'offset');
export type LevelFigure = z.infer<typeof LevelFigure>;
