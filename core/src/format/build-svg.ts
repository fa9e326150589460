import type { Circuit } from '../circuit/model.ts';
import { boardDrawing } from '../deliver/board-drawing.ts';
import type { Build } from '../deliver/build.ts';
import { boardMap, leadNumbers } from '../map/board-map.ts';
import { boardSvg } from './board-svg.ts';

/** The boards of a build with all of its leads, as an SVG of its own. @returns nothing where nothing is laid out */
export function buildSvg(circuit: Circuit, { layout, wiring }: Build, mono = false): string {
  if (!layout) return '';
  const map = boardMap(boardDrawing(circuit, layout), leadNumbers(wiring.steps));
  return boardSvg(map, { title: circuit.plan.name, mono });
}
