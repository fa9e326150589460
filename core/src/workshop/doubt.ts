/** What may be wrong with a card, and what is said of it. */
import { type BusAddress, type Message, type Quantity, type Text, tells } from '../quantity/message.ts';

export interface JudgeSays {
  /** A figure far from what parts of its kind have. */
  readonly unusual: { figure: Text; value: Quantity; from: Quantity; to: Quantity };
  /** Two figures in the wrong order. */
  readonly order: { lower: Text; low: Quantity; upper: Text; high: Quantity };
  readonly rangeUpsideDown: { of: Text };
  readonly accuracyWide: { of: Text };
  readonly accuracyBeside: { of: Text };
  readonly stepWide: { of: Text };
  readonly sharedPin: { pin: string; one: string; other: string };
  readonly noGround: null;
  readonly noFeed: null;
  readonly sharedPlace: { one: string; other: string };
  readonly lineMissing: { port: string; line: string };
  readonly reservedAddress: { address: BusAddress };
  readonly addressTwice: { address: BusAddress };
  readonly channelTwice: { channel: string; one: string; other: string };
  readonly pinIsPower: { pin: string };
  readonly joinsItself: { channel: number };
}

export interface Doubt {
  /** Of the answer that is doubted. */
  readonly place: string;
  readonly says: Message;
}

export const doubt = tells<JudgeSays>('workshop/judge');
