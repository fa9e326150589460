/** A resistor in a line, before the part. */
import type { SeriesHelper } from './shapes.ts';
import { type Quantity, quantityOf, tells, type Text } from '../../quantity/message.ts';
import { type HelperKind, onPort, ownLine } from './kind.ts';

export interface SeriesSays {
  readonly series: { ohms: Quantity; part: Text };
}
const tell = tells<SeriesSays>('plan/helper');

export const series: HelperKind<SeriesHelper> = {
  renamed: onPort,
  legs: (helper) => [{ is: 'in-line', part: helper.part, line: ownLine(helper), ohms: helper.ohms }],
  label: ({ part, ohms }, called) => tell('series', { ohms: quantityOf(ohms, 'Ω'), part: called.part(part) }),
};
