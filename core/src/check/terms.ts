/** Names of steps that several checks have in common. */
import { tells } from '../quantity/message.ts';

export interface Terms {
  readonly pin: null;
  readonly straight: null;
  readonly margin: null;
  readonly togetherTheirWorst: null;
  readonly asIndependentErrors: null;
  readonly rootSumSquares: null;
  readonly nothing: null;
  readonly low: null;
  readonly high: null;
  readonly work: null;
  readonly fromCard: null;
  readonly together: null;
  readonly spi: null;
  readonly lead: null;
  readonly needed: null;
  readonly pullUpLargest: null;
  readonly capacitance: null;
  readonly pullUpSmallest: null;
  readonly strongestPullUp: null;
  readonly usual: null;
  readonly mayFlow: null;
  readonly withoutDiode: null;
  readonly ofItsCard: null;
  readonly junction: null;
  readonly below: null;
  readonly above: null;
  readonly ground: null;
  readonly usb: null;
  readonly mayBeDrawn: null;
  readonly assumed: null;
  readonly peak: null;
  readonly allHangs: null;
  readonly active: null;
}

export const term = tells<Terms>('check/terms');
