/** What an interface knows of what is taken to the bench. */
export { type Drawing, boardDrawing } from '../deliver/board-drawing.ts';
export { type BringUpSheet, SHEET_PHASES, type SheetPhase, type SheetRow, answersOf } from '../deliver/sheet-row.ts';
export { bringUpSheet } from '../deliver/bring-up.ts';
export { type Build, buildFrom, buildOf } from '../deliver/build.ts';
export { type Expected, isInside } from '../deliver/expected.ts';
export type { ColourChange } from '../deliver/harness.ts';
export { type Held, heldCapture, heldScan, unplugged } from '../deliver/held-against.ts';
export { type LogEntry, type Trend, calibrationOf, latest, rebuilds, trendOf } from '../deliver/logbook.ts';
export type { Alternative, PartsLine, PartsList } from '../deliver/parts-list.ts';
export type { WiringLead, WiringStep } from '../deliver/step.ts';
export { touchedRow } from '../deliver/touched.ts';
export { boardMap, leadNumbers } from '../map/board-map.ts';
export { frameOf, piecesOf } from '../map/frame.ts';
export type { BoardMap, MapLead, MapLegs } from '../map/model.ts';
export { readAt } from '../map/labels.ts';
export { BENCH_RULE, type WiringPlan } from '../deliver/wiring.ts';
