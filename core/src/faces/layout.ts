/** What an interface knows of boards, layouts, and what is read back from them. */
export { pinHoles, pinPlaces } from '../board/footprint.ts';
export { holeAt, holeName, parseHole, pointOfHole } from '../board/grid.ts';
export { layoutSteps } from '../layout/lay.ts';
