/** A resistor in a line, before the part. */
import { z } from 'zod';
import { Id } from '../../card/figure.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { Line } from '../pin-choice.ts';
import { type HelperKind, Ohms, onPort, ownLine } from './kind.ts';

export const SeriesHelper = z.strictObject({
  id: Id,
  kind: z.literal('series'),
  part: Id,
  port: Id,
  line: Line,
  ohms: Ohms,
});
export type SeriesHelper = z.infer<typeof SeriesHelper>;

export interface SeriesSays {
  readonly series: { ohms: Quantity; part: Text };
}
const tell = tells<SeriesSays>('plan/helper');

export const series: HelperKind<SeriesHelper> = {
  renamed: onPort,
  legs: (helper) => [{ is: 'in-line', part: helper.part, line: ownLine(helper), ohms: helper.ohms }],
  label: ({ part, ohms }, called) => tell('series', { ohms: quantityOf(ohms, 'Ω'), part: called.part(part) }),
};
