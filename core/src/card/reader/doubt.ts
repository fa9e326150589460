/** Why what was read may mean something else. */
import { tells } from '../../quantity/message.ts';

export interface DoubtSays {
  readonly onlySymbol: { symbol: string };
  readonly whichClock: null;
  readonly maximumOfOutput: null;
  readonly whichState: null;
  readonly outputMayBeSignal: null;
  readonly supplyOrSignal: null;
  readonly whichVoltage: null;
  readonly standsNotMeasures: null;
  readonly airAround: null;
  readonly whichQuantity: { unit: string };
  readonly halved: null;
  readonly reserved: null;
  readonly runningText: null;
  readonly whichAddress: null;
  readonly severalNumbers: null;
  readonly whichRegister: null;
  readonly comma: null;
  readonly blank: null;
  readonly units: null;
  readonly moreInCell: null;
  readonly size: null;
  readonly order: null;
  readonly perYear: null;
  readonly noUnit: null;
  readonly elsewhere: { page: number };
  readonly besideRow: null;
  readonly belowGround: null;
  readonly hasUsual: null;
  readonly fromZero: null;
  readonly whatOf: null;
  readonly unusual: null;
  readonly slipBefore: null;
}
export const doubtThat = tells<DoubtSays>('card/doubt');
