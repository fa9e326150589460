/** What is said of what cannot be had. */
import { type Quantity, type Text, tells } from '../../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface SolveCompleteWhyNotSays {
  readonly controllerHasTooFew: null;
  readonly tooFewPeripherals: null;
  readonly tooFewPwmChannels: null;
  readonly theirAddressesCannotBe: null;
  readonly railsCannotGiveCurrent: null;
  readonly pinsCannotCarryCurrent: null;
  readonly busCannotLiftCapacitance: null;
  readonly translatorsHaveTooFew: null;
  readonly controller: null;
  readonly nearest: { wrong: Text };
  readonly noWayWiringWas: { name: Text; on: Text; wrong: Text };
  readonly cannotBeHadNo: { name: Text; on: Text; askname: Text };
  readonly cannotBeHad: { name: Text; on: Text; reason: Text | null };
  readonly cannotAllBeHad: { names: readonly Text[]; on: Text; reason: Text | null };
  readonly open: { member: Text };
  readonly leaveOut: { member: Text };
  readonly takeAs: { card: Text; choice: Text };
  readonly hasNoPlaceWithout: { label: Text; card: Text };
  readonly planHasNoController: null;
  readonly nothingHereFeedsAsks: { controller: Text; min: Quantity; max: Quantity };
  readonly noPinServes: { label: Text; on: Text; askname: Text };
  readonly leavePartOut: { label: Text };
}

export const tell = tells<SolveCompleteWhyNotSays>('solve/complete-why-not');
