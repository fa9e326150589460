/** What an interface knows of the picture of a build. */
export { layNarrow } from '../drawing/lay-narrow.ts';
export { layOut } from '../drawing/lay-out.ts';
export { ASCENT, bandsOf, type Of, RIBBON, type Shape, STROKE_GAP } from '../drawing/shapes.ts';
export { type OverviewLine, overviewTable, thingSays } from '../drawing/table.ts';
export { markShape } from '../drawing/mark-shapes.ts';
export { columnsOf } from '../drawing/columns.ts';
export { overviewSvg } from '../format/overview-svg.ts';
export { belongingTo, thingKey } from '../overview/belongs.ts';
export { between } from '../overview/between.ts';
export type { Overview } from '../overview/model.ts';
export { overviewOf } from '../overview/overview-of.ts';
