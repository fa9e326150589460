/** What an interface knows of what plan and cards make together, and the formulas of it. */
export { type FacePin, boardFace } from '../circuit/board-face.ts';
export { jumpersAt } from '../circuit/board-pull-ups.ts';
export { wouldCircle } from '../circuit/circle.ts';
export { railsInto, takesLeads } from '../circuit/cable.ts';
export { carrierOf } from '../circuit/carrier.ts';
export { cautionsOf } from '../circuit/cautions.ts';
export { onContact } from '../circuit/contact.ts';
export { converterInputs } from '../circuit/converter.ts';
export { deriveCircuit } from '../circuit/derive.ts';
export { footprintOf } from '../circuit/footprint.ts';
export { freePinsFor } from '../circuit/free-pins.ts';
export type { Layout, LayoutProgress, Lead, Seated } from '../circuit/laid.ts';
export { levelAt } from '../circuit/level.ts';
export { type Socket, socketsFor } from '../circuit/mated.ts';
export type {
  BusNode,
  Circuit,
  Doing,
  Feed,
  Load,
  Member,
  Net,
  NetEnd,
  PartNode,
  PinWish,
  Rail,
  Rhythm,
} from '../circuit/model.ts';
export { type Netlist } from '../circuit/netlist-model.ts';
export { netlistOf, railOrder } from '../circuit/netlist.ts';
export { type PinUse, featuresOf, instancesFor, pinUses } from '../circuit/pin-function.ts';
export { visits } from '../circuit/programming.ts';
export { statesOf } from '../circuit/rhythm.ts';
export { straightIn } from '../circuit/straight-in.ts';
export type { Front } from '../physics/analog-chain.ts';
export { type EdgeSpread, edgeSpread } from '../physics/edge-spread.ts';
export { type Edge, slowestEdges, slowestLine, usualEdges } from '../physics/edge.ts';
export { railWarmth } from '../physics/heat.ts';
export { allPullUps, effectivePullUp, pullsToSeveralRails } from '../physics/node.ts';
export { type PullUpWindow, pullUpWindow } from '../physics/pull-up-window.ts';
export { fixedResistors } from '../physics/resistive.ts';
export { type Runtime, cellRails, runtimeOf } from '../physics/runtime.ts';
export { explainLog, type LogReport, type Sample } from '../physics/current-log.ts';
export { type Lane, type Timeline, timeline } from '../physics/timeline.ts';
export { dayOf } from '../physics/day.ts';
