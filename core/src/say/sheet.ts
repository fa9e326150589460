/** What the files say that are written for people: the build sheet, the logbook, the heads of pin files. */
import { type Price, tells, type Text } from '../quantity/message.ts';

export interface SheetSays {
  readonly ownWire: { colour: string };
  readonly ofValue: { kind: string; value: Text };
  readonly step: { number: number; title: Text };
  readonly done: null;
  readonly putAt: { label: Text; where: Text };
  readonly putBeside: { label: Text };
  readonly labelLead: { number: string };
  readonly labelled: { label: Text; number: string };
  readonly putDown: { label: Text; where: Text };
  readonly beside: null;
  readonly look: { says: Text };
  readonly measure: { says: Text };
  readonly verified: { proofs: number; fingerprint: string };
  readonly unread: { unread: Text; fingerprint: string };
  readonly open: { fingerprint: string };
  readonly safety: null;
  readonly beforePower: null;
  readonly coloursMeet: null;
  readonly parts: null;
  readonly colourTo: { colour: string; to: Text };
  readonly total: { total: Price; days: number };
  readonly logbook: { plan: string };
  readonly build: { build: number };
  readonly trueValue: { value: Text };
  readonly ofCount: { quantity: string; unit: string; most: number };
  readonly madeOf: { plan: string; card: string; fingerprint: string };
}
export const sheet = tells<SheetSays>('format/sheet');
