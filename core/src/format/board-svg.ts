/** The board map as an SVG 1.1 file: alone, without fonts or scripts, in colour or in black and white with the colours named. */
import { say } from '../say/say.ts';
import type { Drawing, DrawnLead, DrawnPart } from '../deliver/board-drawing.ts';
import type { Point } from '../board/grid.ts';

/** What the usual names of wire colours look like; a colour without an entry is drawn grey and named. */
export const INKS: Readonly<Record<string, string>> = {
  red: '#c62f2a',
  orange: '#d9761a',
  black: '#2a2824',
  green: '#2f8a4b',
  yellow: '#d8b21a',
  blue: '#2f62b4',
  violet: '#7a4aa5',
  white: '#f4f1e8',
  grey: '#8b877c',
  brown: '#7a4a26',
};
const UNNAMED = '#8b877c';

export interface SvgOptions {
  readonly title: string;
  /** Leads to be seen; all where nothing is said. Others are left out. */
  readonly leads?: ReadonlySet<string>;
  /** Parts to be drawn dark; all where nothing is said. */
  readonly parts?: ReadonlySet<string>;
  /** Without colours: each lead is named by its colour. */
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

const text = (x: number, y: number, size: number, says: string, more = ''): string =>
  `<text x="${n(x)}" y="${n(y)}" font-size="${n(size)}" ${more}>${escape(says)}</text>`;

/** The shortest words that fit into a width of so many steps, at that size. */
const fitted = (says: string, width: number, size: number): string => {
  const most = Math.max(3, Math.floor(width / (size * 0.55)));
  return says.length <= most ? says : `${says.slice(0, most - 1)}…`;
};

function part({ box, label, pins, seated, name }: DrawnPart, dim: boolean): string {
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const ink = dim ? '#a8a499' : '#3a3731';
  return [
    `<rect x="${n(box.left)}" y="${n(box.top)}" width="${n(width)}" height="${n(height)}" rx="0.4" fill="#ffffff" fill-opacity="${seated ? 0.72 : 1}" stroke="${ink}" stroke-width="0.16"/>`,
    text(name.x, name.y, name.size, fitted(say(label), width, name.size), `text-anchor="middle" fill="${ink}"`),
    ...pins.map((pin) =>
      pin.first
        ? `<rect x="${n(pin.x - 0.35)}" y="${n(pin.y - 0.35)}" width="0.7" height="0.7" fill="${ink}"/>`
        : `<circle cx="${n(pin.x)}" cy="${n(pin.y)}" r="0.35" fill="${ink}"/>`,
    ),
    ...(seated
      ? []
      : pins.map((pin) =>
          text(pin.x, pin.y + (box.top < 0 ? -0.7 : 1.4), 0.9, pin.label, `text-anchor="middle" fill="${ink}"`),
        )),
  ].join('\n');
}

const along = (a: Point, b: Point, share: number): Point => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share,
});

function lead({ kind, colour, value, a, b, bend }: DrawnLead, mono: boolean): string {
  const ends = [a, b].map(({ x, y }) => `<circle cx="${n(x)}" cy="${n(y)}" r="0.3" fill="#2a2824"/>`).join('');
  if (kind !== 'lead' && kind !== 'own') {
    const [from, to] = [along(a, b, 0.25), along(a, b, 0.75)];
    const ring = along(a, b, 0.68);
    return [
      `<path d="M${n(a.x)} ${n(a.y)}L${n(b.x)} ${n(b.y)}" stroke="#2a2824" stroke-width="0.16"/>`,
      `<path d="M${n(from.x)} ${n(from.y)}L${n(to.x)} ${n(to.y)}" stroke="#2a2824" stroke-width="0.95"/>`,
      kind === 'resistor' || kind === 'capacitor'
        ? `<path d="M${n(from.x)} ${n(from.y)}L${n(to.x)} ${n(to.y)}" stroke="#ffffff" stroke-width="0.62"/>`
        : `<circle cx="${n(ring.x)}" cy="${n(ring.y)}" r="0.3" fill="#ffffff"/>`,
      kind === 'resistor' || kind === 'capacitor'
        ? text(bend.x, bend.y - 0.7, 1, say(value), 'text-anchor="middle" fill="#2a2824"')
        : '',
      ends,
    ].join('');
  }
  const d = `M${n(a.x)} ${n(a.y)}Q${n(bend.x)} ${n(bend.y)} ${n(b.x)} ${n(b.y)}`;
  const dash = kind === 'own' ? ' stroke-dasharray="0.9 0.35"' : '';
  if (mono) {
    const middle = { x: (a.x + 2 * bend.x + b.x) / 4, y: (a.y + 2 * bend.y + b.y) / 4 };
    return `<path d="${d}" fill="none" stroke="#2a2824" stroke-width="0.22"${dash}/>${ends}${text(middle.x, middle.y - 0.2, 0.95, colour, 'text-anchor="middle" fill="#2a2824"')}`;
  }
  return `<path d="${d}" fill="none" stroke="#2a2824" stroke-width="0.56"/><path d="${d}" fill="none" stroke="${INKS[colour] ?? UNNAMED}" stroke-width="0.4"${dash}/>${ends}`;
}

/** A whole SVG document; one step of the grid is one user unit, drawn 3 mm wide. */
export function boardSvg(drawing: Drawing, options: SvgOptions): string {
  const { box } = drawing;
  const [width, height] = [box.right - box.left, box.bottom - box.top];
  const mono = options.mono ?? false;
  const seen = ({ key }: DrawnLead) => options.leads?.has(key) ?? true;
  const dim = ({ part: id }: DrawnPart) => !(options.parts?.has(id) ?? true);
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" version="1.1" viewBox="${[box.left, box.top, width, height].map(n).join(' ')}" width="${n(width * 3)}mm" height="${n(height * 3)}mm" font-family="sans-serif">`,
    `<title>${escape(options.title)}</title>`,
    `<rect x="${n(box.left)}" y="${n(box.top)}" width="${n(width)}" height="${n(height)}" fill="#ffffff"/>`,
    ...drawing.boards.map(
      (b) =>
        `<rect x="${n(b.left)}" y="${n(b.top)}" width="${n(b.right - b.left)}" height="${n(b.bottom - b.top)}" rx="0.6" fill="#f6f4ee" stroke="#b9b4a6" stroke-width="0.12"/>`,
    ),
    ...drawing.strips.map(
      ({ from, to, plus, label }) =>
        `<path d="M${n(from.x)} ${n(from.y)}H${n(to.x)}" stroke="${mono ? '#6d695f' : plus ? '#c62f2a' : '#2f62b4'}" stroke-width="0.14"/>${text(from.x - 0.9, from.y + 0.4, 1.1, label, 'fill="#3a3731"')}`,
    ),
    `<path d="${drawing.holes.map(({ x, y }) => `M${n(x - 0.2)} ${n(y - 0.2)}h0.4v0.4h-0.4z`).join('')}" fill="#c9c4b6"/>`,
    ...drawing.letters.map(({ x, y, text: says }) =>
      text(x, y + 0.35, 0.9, says, 'text-anchor="middle" fill="#6d695f"'),
    ),
    ...drawing.parts.map((p) => part(p, dim(p))),
    ...drawing.leads.filter(seen).map((l) => lead(l, mono)),
    ...drawing.joints.map(
      ({ x, y, text: says }) =>
        `<circle cx="${n(x)}" cy="${n(y)}" r="0.7" fill="#ffffff" stroke="#2a2824" stroke-width="0.16"/>${text(x, y + 0.35, 0.9, says, 'text-anchor="middle" fill="#2a2824"')}`,
    ),
    '</svg>',
    '',
  ].join('\n');
}
