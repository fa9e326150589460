/** A drawing as an SVG of its own, in the colours of the day. */
import type { Strip } from '../drawing/columns.ts';
import { markShape } from '../drawing/mark-shapes.ts';
import { SVG_FACES } from './svg-faces.ts';
import { ASCENT, bandsOf, type Drawing, RIBBON, type Shape, STROKE_GAP } from '../drawing/shapes.ts';

interface Palette {
  readonly paper: string;
  readonly raised: string;
  readonly stripe: string;
  readonly copper: string;
  /** Colours of words and marks; `ink` and `quiet` are those of lines and boxes, too. */
  readonly tones: Readonly<Record<'ink' | 'quiet' | 'pass' | 'danger' | 'fault' | 'caution' | 'note', string>>;
}
const DAY: Palette = {
  paper: '#f6f3ea',
  raised: '#fdfbf5',
  stripe: '#efe9dc',
  copper: '#8f4716',
  tones: {
    ink: '#22201b',
    quiet: '#625d51',
    pass: '#2d6540',
    danger: '#a3121c',
    fault: '#a23a00',
    caution: '#6a5200',
    note: '#1f4d7a',
  },
};
const NIGHT: Palette = {
  paper: '#1d1b17',
  raised: '#26231e',
  stripe: '#14130f',
  copper: '#e2a272',
  tones: {
    ink: '#ece6d8',
    quiet: '#a9a190',
    pass: '#8fcb9f',
    danger: '#ff8d86',
    fault: '#ffa468',
    caution: '#e0c261',
    note: '#9dbfe0',
  },
};
const n = (value: number): string => String(Number(value.toFixed(1)));
const escaped = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

type Line = Extract<Shape, { is: 'line' }>;
const path = ({ points }: Line): string => points.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${n(x)},${n(y)}`).join(' ');

/** Lines in their order: all ribbons first in their outer, then in their inner colour, so that branches open into one another. */
function linesOf(shapes: readonly Shape[], { tones, paper, copper }: Palette): string[] {
  const lines = shapes.filter((shape): shape is Line => shape.is === 'line');
  const ribbons = lines.filter(({ role, strokes }) => role === 'signal' && strokes > 1);
  const stroke = (line: Line, width: number, colour: string) =>
    `<path d="${path(line)}" fill="none" stroke="${colour}" stroke-width="${n(width)}" stroke-linejoin="round"/>`;
  const feeds = lines.filter(({ role }) => role === 'feed');
  return [
    ...lines
      .filter(({ role, strokes }) => role === 'signal' && strokes <= 1)
      .map((line) => stroke(line, 1.4, tones.ink)),
    ...ribbons.map((line) => stroke(line, RIBBON.outer, tones.ink)),
    ...ribbons.map((line) => stroke(line, RIBBON.inner, paper)),
    // As many strokes as its voltage has: dark bands, parted by light ones.
    ...feeds.flatMap((line) =>
      bandsOf(line.strokes).map(({ width, dark }) => stroke(line, width, dark ? copper : paper)),
    ),
  ];
}

const boxLook = (role: Extract<Shape, { is: 'box' }>['role'], { raised, paper, stripe, tones }: Palette): string =>
  ({
    feed: `fill="${raised}" stroke="${tones.ink}" stroke-width="1.2"`,
    rail: `fill="${paper}" stroke="${tones.ink}" stroke-width="1"`,
    hub: `fill="${raised}" stroke="${tones.ink}" stroke-width="1.6"`,
    part: `fill="${raised}" stroke="${tones.ink}" stroke-width="1.2"`,
    gate: `fill="${paper}" stroke="${tones.ink}" stroke-width="1" stroke-dasharray="3 2"`,
    column: `fill="${stripe}"`,
  })[role];

function shapeOf(shape: Shape, palette: Palette): string {
  const { tones, raised, copper } = palette;
  switch (shape.is) {
    case 'box':
      return `<rect x="${n(shape.x)}" y="${n(shape.y)}" width="${n(shape.w)}" height="${n(shape.h)}" rx="2" ${boxLook(shape.role, palette)}/>`;
    case 'text':
      return `<text x="${n(shape.x)}" y="${n(shape.y + shape.size * ASCENT)}" font-size="${shape.size}" ${SVG_FACES[shape.face]} fill="${tones[shape.tone]}">${escaped(shape.text)}${shape.text === shape.full ? '' : `<title>${escaped(shape.full)}</title>`}</text>`;
    case 'mark':
      return `<svg x="${n(shape.x)}" y="${n(shape.y)}" width="${n(shape.w)}" height="${n(shape.h)}" viewBox="0 0 24 16" color="${tones[shape.severity]}">${markShape(shape.severity, raised)}</svg>`;
    case 'flag':
      return Array.from(
        { length: shape.strokes },
        (_, i) =>
          `<path d="M${n(shape.x + i * STROKE_GAP)},${n(shape.y)} v${n(shape.h)}" stroke="${copper}" stroke-width="1.6"/>`,
      ).join('');
    case 'line':
      return '';
  }
}

/**
 * @param title what it is of
 * @param words false for a picture that is too small to be read
 * @param strip what of it is shown; all where nothing is said
 */
export function overviewSvg(
  { width, height, shapes }: Drawing,
  title: string,
  { night = false, words = true, strip }: { night?: boolean; words?: boolean; strip?: Strip } = {},
): string {
  const [from, to] = strip ?? [0, height];
  const palette = night ? NIGHT : DAY;
  const below = shapes.filter((shape) => shape.is === 'box' && (shape.role === 'column' || shape.role === 'hub'));
  const above = shapes.filter(
    (shape) => shape.is !== 'line' && !below.includes(shape) && (words || shape.is !== 'text'),
  );
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${n(to - from)}" viewBox="0 ${n(from)} ${width} ${n(to - from)}" role="img">`,
    `<title>${escaped(title)}</title>`,
    `<rect y="${n(from)}" width="${width}" height="${n(to - from)}" fill="${palette.paper}"/>`,
    ...below.map((shape) => shapeOf(shape, palette)),
    ...linesOf(shapes, palette),
    ...above.map((shape) => shapeOf(shape, palette)),
    '</svg>',
  ].join('\n');
}
