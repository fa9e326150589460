/** A drawing as an SVG of its own, in the colours of the day. */
import { markShape } from '../drawing/mark-shapes.ts';
import { ASCENT, bandsOf, type Drawing, RIBBON, type Shape, STROKE_GAP } from '../drawing/shapes.ts';

const INK = '#22201b';
const QUIET = '#625d51';
const PAPER = '#f6f3ea';
const RAISED = '#fdfbf5';
const STRIPE = '#efe9dc';
const COPPER = '#8f4716';
const TONES: Readonly<Record<string, string>> = {
  ink: INK,
  quiet: QUIET,
  pass: '#2d6540',
  danger: '#a3121c',
  fault: '#a23a00',
  caution: '#6a5200',
  note: '#1f4d7a',
};
const FACES: Readonly<Record<string, string>> = {
  plain: 'font-family="Atkinson Hyperlegible Next, sans-serif"',
  strong: 'font-family="Atkinson Hyperlegible Next, sans-serif" font-weight="600"',
  mono: 'font-family="Atkinson Hyperlegible Mono, monospace"',
};

const n = (value: number): string => String(Number(value.toFixed(1)));
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

type Line = Extract<Shape, { is: 'line' }>;
const path = ({ points }: Line): string => points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)},${n(y)}`).join(' ');

/** Lines in their order: all ribbons first in their outer, then in their inner colour, so that branches open into one another. */
function linesOf(shapes: readonly Shape[]): string[] {
  const lines = shapes.filter((shape): shape is Line => shape.is === 'line');
  const ribbons = lines.filter(({ role, strokes }) => role === 'signal' && strokes > 1);
  const stroke = (line: Line, width: number, colour: string) =>
    `<path d="${path(line)}" fill="none" stroke="${colour}" stroke-width="${n(width)}" stroke-linejoin="round"/>`;
  const feeds = lines.filter(({ role }) => role === 'feed');
  return [
    ...lines.filter(({ role, strokes }) => role === 'signal' && strokes <= 1).map((line) => stroke(line, 1.4, INK)),
    ...ribbons.map((line) => stroke(line, RIBBON.outer, INK)),
    ...ribbons.map((line) => stroke(line, RIBBON.inner, PAPER)),
    // As many strokes as its voltage has: dark bands, parted by light ones.
    ...feeds.flatMap((line) =>
      bandsOf(line.strokes).map(({ width, dark }) => stroke(line, width, dark ? COPPER : PAPER)),
    ),
  ];
}

const BOXES: Readonly<Record<string, string>> = {
  feed: `fill="${RAISED}" stroke="${INK}" stroke-width="1.2"`,
  rail: `fill="${PAPER}" stroke="${INK}" stroke-width="1"`,
  hub: `fill="${RAISED}" stroke="${INK}" stroke-width="1.6"`,
  part: `fill="${RAISED}" stroke="${INK}" stroke-width="1.2"`,
  gate: `fill="${PAPER}" stroke="${INK}" stroke-width="1" stroke-dasharray="3 2"`,
  column: `fill="${STRIPE}"`,
};

function shapeOf(shape: Shape): string {
  switch (shape.is) {
    case 'box':
      return `<rect x="${n(shape.x)}" y="${n(shape.y)}" width="${n(shape.w)}" height="${n(shape.h)}" rx="2" ${BOXES[shape.role]}/>`;
    case 'text':
      return `<text x="${n(shape.x)}" y="${n(shape.y + shape.size * ASCENT)}" font-size="${shape.size}" ${FACES[shape.face]} fill="${TONES[shape.tone]}">${escaped(shape.text)}${shape.text === shape.full ? '' : `<title>${escaped(shape.full)}</title>`}</text>`;
    case 'mark':
      return `<svg x="${n(shape.x)}" y="${n(shape.y)}" width="${n(shape.w)}" height="${n(shape.h)}" viewBox="0 0 24 16" color="${TONES[shape.severity]}">${markShape(shape.severity, RAISED)}</svg>`;
    case 'flag':
      return Array.from(
        { length: shape.strokes },
        (_, i) =>
          `<path d="M${n(shape.x + i * STROKE_GAP)},${n(shape.y)} v${n(shape.h)}" stroke="${COPPER}" stroke-width="1.6"/>`,
      ).join('');
    case 'line':
      return '';
  }
}

/** @param title what it is of */
export function overviewSvg({ width, height, shapes }: Drawing, title: string): string {
  const below = shapes.filter((shape) => shape.is === 'box' && (shape.role === 'column' || shape.role === 'hub'));
  const above = shapes.filter((shape) => shape.is !== 'line' && !below.includes(shape));
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 ${width} ${height}" role="img">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="${width}" height="${height}" fill="${PAPER}"/>`,
    ...below.map(shapeOf),
    ...linesOf(shapes),
    ...above.map(shapeOf),
    '</svg>',
  ].join('\n');
}
