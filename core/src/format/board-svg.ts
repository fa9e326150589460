/** The board map as an SVG 1.1 file: alone, without fonts or scripts, in colour or in black and white, each colour with a line style of its own. */
import type { Box } from '../board/footprint.ts';
import type { Point } from '../board/grid.ts';
import { widthOf } from '../drawing/letter-widths.ts';
import type { DrawnPart } from '../deliver/board-drawing.ts';
import type { BoardMap, MapLead, MapLegs } from '../map/model.ts';
import type { MapText } from '../map/labels.ts';
import { SVG_FACES } from './svg-faces.ts';
import { dashOf, figureInkOf, inkOf } from './lead-inks.ts';

export interface SvgOptions {
  readonly title: string;
  /** What of the drawing is to be seen; all of it where nothing is said. */
  readonly frame?: Box;
  /** Parts to be drawn dark; all where nothing is said. */
  readonly parts?: ReadonlySet<string>;
  /** Without colours. */
  readonly mono?: boolean;
}

/** Characters that XML 1.0 allows (§2.2). */
const isXml = (code: number): boolean =>
  code === 9 ||
  code === 10 ||
  code === 13 ||
  (code >= 32 && code !== 0xfffe && code !== 0xffff && (code < 0xd800 || code > 0xdfff));

const escape = (text: string): string =>
  [...text]
    .filter((letter) => isXml(letter.codePointAt(0) ?? 0))
    .join('')
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;');

const n = (value: number): string => String(Number(value.toFixed(2)));

const DARK = '#2a2824';
const QUIET = '#6d695f';
const DIM = '#a8a499';
/** As wide as it was laid out, whatever letters the viewer has. */
const word = ({ x, y, size, says, face }: Omit<MapText, 'is' | 'of' | 'box'>, ink: string): string =>
  `<text x="${n(x)}" y="${n(y)}" font-size="${n(size)}" ${SVG_FACES[face]} text-anchor="middle" textLength="${n(widthOf(says, size, face))}" lengthAdjust="spacingAndGlyphs" fill="${ink}">${escape(says)}</text>`;

function part({ box, pins, seated }: DrawnPart, ink: string): string {
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  return [
    `<rect x="${n(box.left)}" y="${n(box.top)}" width="${n(width)}" height="${n(height)}" rx="0.4" fill="#ffffff" fill-opacity="${seated ? 0.72 : 1}" stroke="${ink}" stroke-width="0.16"/>`,
    ...pins.map((pin) =>
      pin.first
        ? `<rect x="${n(pin.x - 0.35)}" y="${n(pin.y - 0.35)}" width="0.7" height="0.7" fill="${ink}"/>`
        : `<circle cx="${n(pin.x)}" cy="${n(pin.y)}" r="0.35" fill="${ink}"/>`,
    ),
  ].join('\n');
}

/** A line through corners. */
export const pathOf = (way: readonly Point[]): string =>
  way.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${n(x)} ${n(y)}`).join('');

function legs({ lead: { kind }, way, body: [from, to] }: MapLegs): string {
  const body = pathOf([from, to]);
  const ring = { x: from.x + (to.x - from.x) * 0.86, y: from.y + (to.y - from.y) * 0.86 };
  return [
    `<path d="${pathOf(way)}" fill="none" stroke="${DARK}" stroke-width="0.16"/>`,
    `<path d="${body}" stroke="${DARK}" stroke-width="0.95"/>`,
    kind === 'resistor' || kind === 'capacitor'
      ? `<path d="${body}" stroke="#ffffff" stroke-width="0.62"/>`
      : `<circle cx="${n(ring.x)}" cy="${n(ring.y)}" r="0.3" fill="#ffffff"/>`,
    ...[way[0], way.at(-1)].flatMap((end) =>
      end ? [`<circle cx="${n(end.x)}" cy="${n(end.y)}" r="0.3" fill="${DARK}"/>`] : [],
    ),
  ].join('');
}

/** The line of a lead; a wire that the part itself ends in is thinner. */
function line({ lead: { kind, colour }, way }: MapLead, mono: boolean): string {
  if (!way) return '';
  const [d, width] = [pathOf(way), kind === 'own' ? 0.2 : 0.34];
  const dash = dashOf(colour);
  const casing =
    colour === 'white' || mono ? '' : `<path d="${d}" fill="none" stroke="#ffffff" stroke-width="${n(width + 0.2)}"/>`;
  return `${casing}<path d="${d}" fill="none" stroke="${mono || colour === 'white' ? DARK : inkOf(colour)}" stroke-width="${width}"${dash ? ` stroke-dasharray="${dash}"` : ''} stroke-linejoin="round"/>`;
}

/** The number of a lead at its ends. */
function tags({ lead: { colour }, number, tags: places }: MapLead, mono: boolean): string {
  const [fill, ink] = mono ? ['#ffffff', DARK] : [inkOf(colour), figureInkOf(colour)];
  return places
    .map(({ x, y, half, size }) => {
      const [width, height] = [2 * half.width, 2 * half.height];
      const says = word({ x, y: y + size * 0.36, size, says: String(number), face: 'mono' }, ink);
      return `<rect x="${n(x - half.width)}" y="${n(y - half.height)}" width="${n(width)}" height="${n(height)}" rx="0.3" fill="${fill}" stroke="${DARK}" stroke-width="0.08"/>${says}`;
    })
    .join('');
}

/** A whole SVG document; one step of the grid is one user unit, drawn 3 mm wide. */
export function boardSvg(map: BoardMap, options: SvgOptions): string {
  const { drawing, texts } = map;
  const frame = options.frame ?? drawing.box;
  const [width, height] = [frame.right - frame.left, frame.bottom - frame.top];
  const mono = options.mono ?? false;
  const inkFor = (id: string) => ((options.parts?.has(id) ?? true) ? DARK : DIM);
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" version="1.1" viewBox="${[frame.left, frame.top, width, height].map(n).join(' ')}" width="${n(width * 3)}mm" height="${n(height * 3)}mm" font-family="sans-serif">`,
    `<title>${escape(options.title)}</title>`,
    `<rect x="${n(frame.left)}" y="${n(frame.top)}" width="${n(width)}" height="${n(height)}" fill="#ffffff"/>`,
    ...drawing.boards.map(
      (b) =>
        `<rect x="${n(b.left)}" y="${n(b.top)}" width="${n(b.right - b.left)}" height="${n(b.bottom - b.top)}" rx="0.6" fill="#f6f4ee" stroke="#b9b4a6" stroke-width="0.12"/>`,
    ),
    ...drawing.strips.map(
      ({ from, to, plus }) =>
        `<path d="M${n(from.x)} ${n(from.y)}H${n(to.x)}" stroke="${mono ? QUIET : plus ? '#c62f2a' : '#2f62b4'}" stroke-width="0.14"/>`,
    ),
    `<path d="${drawing.holes.map(({ x, y }) => `M${n(x - 0.2)} ${n(y - 0.2)}h0.4v0.4h-0.4z`).join('')}" fill="#c9c4b6"/>`,
    ...drawing.parts.map((one) => part(one, inkFor(one.part))),
    ...map.legs.map(legs),
    ...map.leads.map((one) => line(one, mono)),
    ...drawing.joints.map(
      ({ x, y }) => `<circle cx="${n(x)}" cy="${n(y)}" r="0.7" fill="#ffffff" stroke="${DARK}" stroke-width="0.16"/>`,
    ),
    ...texts.map((text) =>
      word(
        text,
        text.is === 'row' || text.is === 'strip'
          ? QUIET
          : text.is === 'part' || text.is === 'pin'
            ? inkFor(text.of)
            : DARK,
      ),
    ),
    ...map.leads.map((one) => tags(one, mono)),
    '</svg>',
    '',
  ].join('\n');
}
