/** What is said in the picture of a build. */
import { tells, type Quantity } from '../quantity/message.ts';

export interface OverviewSays {
  readonly divider: null;
  /** Parts that no line leads to. */
  readonly apart: null;
  readonly noPlace: null;
  readonly wet: null;
  readonly pins: { used: number; pins: number };
  readonly lines: { count: number };
  /** A part on a bus has further lines, by how many. */
  readonly stub: { count: number };
  /** Pins of those lines, at the part. */
  readonly further: { pins: string };
  readonly carried: { peak: Quantity; limit: Quantity | null };
  readonly inside: { celsius: number };
  /** What was measured or worked out, of what may be; how many more findings are there. */
  readonly figure: { found: string; more: number };
  readonly ofLimit: { measured: string; limit: string };
  readonly severity: { severity: string };
  readonly legendStrokes: null;
  readonly legendRows: null;
  readonly legendFoot: null;
}
export const tellOverview = tells<OverviewSays>('overview');
