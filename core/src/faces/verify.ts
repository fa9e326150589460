/** What an interface knows of the checks, the verdict, and candidates side by side. */
export { type AnalogLink, analogLinks, fullScale } from '../check/analog-links.ts';
export { asksFor } from '../check/asks.ts';
export { type BusShare, busTime } from '../check/bus-time.ts';
export { withMeasured } from '../check/measured.ts';
export { type NextStep, nextStep } from '../check/next-step.ts';
export { CHECKS } from '../check/registry.ts';
export {
  type Check,
  type Grounds,
  isBlocking,
  type Result,
  SEVERITIES,
  type Severity,
  type StationId,
} from '../check/result.ts';
export { eaterName } from '../check/supply-runtime.ts';
export { type TransferPoint, transferPoints } from '../check/transfer-points.ts';
export { type Verdict, relativeMargin, standingOf } from '../check/standing.ts';
export { type Trying, tryingOf } from '../check/trying.ts';
export { verify } from '../check/verify.ts';
export { wireLimit } from '../check/wire-budget.ts';
export { type Cell, ROW_GROUPS } from '../compare/cell.ts';
export { type ComparisonRow, compare } from '../compare/compare.ts';
export { type Qualified, type Reason, qualify, ruledOut, settingOf } from '../compare/qualify.ts';
export { type NearMiss, nearestMiss, usualNeed } from '../compare/usual-need.ts';
