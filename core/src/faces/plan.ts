/** What an interface knows of the plan and its edits, packs, orders and money. */
export { chosenOffer } from '../buy/cost.ts';
export { type Money, buyingOf, moneyOf } from '../buy/currency.ts';
export { applyChanges } from '../plan/changes.ts';
export { type PlanDocument, documentOf } from '../plan/document.ts';
export {
  FEED_LINE,
  GROUND_LINE,
  addEmptyBus,
  addHelper,
  addNeed,
  changeBus,
  changeHelperOf,
  changeNeed,
  changePart,
  changePort,
  emptyPlan,
  feedByLine,
  freeId,
  hangBus,
  removeNeed,
  serveNeed,
  setAcknowledged,
  setAddress,
  setBeside,
  setBits,
  setBoards,
  setBus,
  setCapacitor,
  setContact,
  setDone,
  setFeed,
  setGround,
  setLocked,
  setMeasured,
  setMode,
  setOn,
  setOpened,
  setPin,
  setRules,
  setRun,
  setSpot,
  setSpots,
  setStock,
  setUsed,
} from '../plan/edits.ts';
export { isSame } from '../plan/same.ts';
export { withNumber } from '../plan/wire-number.ts';
export { removeBus, removeHelper, removePart } from '../plan/remove.ts';
export { fingerprint } from '../plan/fingerprint.ts';
export { canonical } from '../quantity/canonical.ts';
export type { HouseRules } from '../plan/house-rules.ts';
export { needName, watched } from '../plan/need-name.ts';
export { CABLES, SUNS } from '../plan/kinds.ts';
export type {
  Need,
  PartChoice,
  Place,
  PlainNeed,
  Plan,
  PortChoice,
  Run,
  SenseNeed,
  Spot,
  TriggerNeed,
} from '../plan/plan.ts';
export { referenceProblems } from '../plan/references.ts';
export { type Problem, expected, problemCount } from '../quantity/problem.ts';
export { sharedWith } from '../plan/shared.ts';
export { swapCard } from '../plan/swap.ts';
export { type Trial, tried, withTrial } from '../plan/trial.ts';
export { keyOf, ownerOf, parseRef, placeKey } from '../plan/ref.ts';
export { slug } from '../quantity/slug.ts';
export { freshPlan } from '../plan/fresh-plan.ts';
