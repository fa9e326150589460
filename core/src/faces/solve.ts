/** What an interface knows of remedies, and what the plan does by itself. */
export { withFixedResistor } from '../remedy/analog.ts';
export { baseResistor, withLightResistor } from '../remedy/drive.ts';
export { feedInstead, plugIn } from '../remedy/plug.ts';
export { addPullUp } from '../remedy/pull-up.ts';
export type { Remedy } from '../remedy/remedy.ts';
export { rivals } from '../remedy/rivals.ts';
export { stagger } from '../remedy/stagger.ts';
export { addPart } from '../solve/add-part.ts';
export { type Answer, answering } from '../solve/answer.ts';
export { addCarrier, removeCarrier } from '../solve/carrier.ts';
export { complete, completeSteps } from '../solve/complete/complete.ts';
export type { Completion } from '../solve/complete/completion.ts';
export type { Relaxation } from '../solve/complete/why-not.ts';
export { type ControllerFit, controllerFits } from '../solve/controller-fit.ts';
export type { Progress, Told } from '../solve/joint/found.ts';
export { type PinSolution, pinModel, pinsFrom, placeLine, solvePins, withPins } from '../solve/pins.ts';
export { FIGURES, type SetFigures } from '../solve/sets/evaluate.ts';
export { type Exclusion, explainSets } from '../solve/sets/exclude.ts';
export { setProblem } from '../solve/sets/problem.ts';
export { type FoundSet, type SetFront, type SetProgress, searchSteps } from '../solve/sets/search.ts';
export { takeSet } from '../solve/sets/take-set.ts';
export { ALONE, smallestBuild } from '../solve/smallest-build.ts';
export { type Brief, type FeedKind, type Pick, planOf, type ServeKind } from '../solve/start/brief.ts';
export { feedKindOf, sourceOf } from '../solve/start/feeding.ts';
export {
  filledPlan,
  inOrder,
  type Offers,
  offersFor,
  type OffersProgress,
  type SetOffer,
} from '../solve/start/offers.ts';
export { type WhatIf, whatIfs } from '../solve/what-if.ts';
