/** The board map in a PDF: lines and letters, each lead in its colour and the style of its line, with its number at both ends. */
import type { BoardMap, MapLead, MapLegs } from '@idle-breadboard/core/deliver';
import { dashOf, figureInkOf, inkOf, pathOf } from '@idle-breadboard/core/files';
import { write } from './pdf-page';
import { plain } from './plain-text';

interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** What of the drawing is shown, in steps. */
type Part = BoardMap['drawing']['box'];

const DARK = '#2a2824';
const QUIET = '#6d695f';
const DIM = '#a8a499';

/** Height that a part of a drawing takes in a width. */
export const boardHeight = ({ left, right, top, bottom }: Part, width: number): number =>
  (width * (bottom - top)) / (right - left);

const holesPath = ({ drawing }: BoardMap): string =>
  drawing.holes.map(({ x, y }) => `M${x - 0.2} ${y - 0.2}h0.4v0.4h-0.4z`).join('');

/** @param parts ids of the parts to be drawn dark; null for all */
export function drawBoard(
  doc: PDFKit.PDFDocument,
  map: BoardMap,
  shown: Part,
  { x, y, width }: Frame,
  parts: ReadonlySet<string> | null,
): void {
  const { drawing } = map;
  const scale = width / (shown.right - shown.left);
  const inkFor = (part: string) => (parts === null || parts.has(part) ? DARK : DIM);
  doc.save();
  doc.rect(x, y, width, boardHeight(shown, width)).clip();
  doc.translate(x, y).scale(scale).translate(-shown.left, -shown.top);
  for (const b of drawing.boards)
    doc
      .lineWidth(0.12)
      .roundedRect(b.left, b.top, b.right - b.left, b.bottom - b.top, 0.6)
      .fillAndStroke('#f6f4ee', DIM);
  for (const { from, to, plus } of drawing.strips)
    doc
      .lineWidth(0.14)
      .strokeColor(plus ? '#c62f2a' : '#2f62b4')
      .moveTo(from.x, from.y)
      .lineTo(to.x, to.y)
      .stroke();
  doc.path(holesPath(map)).fill('#c9c4b6');
  for (const part of drawing.parts) {
    const ink = inkFor(part.part);
    const { left, top, right, bottom } = part.box;
    doc
      .lineWidth(0.16)
      .roundedRect(left, top, right - left, bottom - top, 0.4)
      .fillOpacity(part.seated ? 0.75 : 1);
    doc.fillAndStroke('#ffffff', ink).fillOpacity(1);
    for (const pin of part.pins) {
      if (pin.first) doc.rect(pin.x - 0.35, pin.y - 0.35, 0.7, 0.7).fill(ink);
      else doc.circle(pin.x, pin.y, 0.35).fill(ink);
    }
  }
  for (const legs of map.legs) drawLegs(doc, legs);
  for (const lead of map.leads) drawLead(doc, lead);
  for (const joint of drawing.joints) doc.lineWidth(0.16).circle(joint.x, joint.y, 0.7).fillAndStroke('#ffffff', DARK);
  for (const { says, x: at, y: line, size, face, is, of } of map.texts) {
    const ink = is === 'row' || is === 'strip' ? QUIET : is === 'part' || is === 'pin' ? inkFor(of) : DARK;
    middle(doc, face === 'mono' ? 'values' : 'words', says, at, line, size, ink);
  }
  for (const lead of map.leads) drawTags(doc, lead);
  doc.restore();
  doc.fillColor('#000000').strokeColor('#000000').undash();
}

function middle(
  doc: PDFKit.PDFDocument,
  face: 'words' | 'values',
  text: string,
  x: number,
  y: number,
  size: number,
  ink: string,
): void {
  doc.font(face).fontSize(size).fillColor(ink);
  write(doc, face, size, text, { x: x - doc.widthOfString(plain(text)) / 2, y: y - size, lineBreak: false });
}

function drawLegs(doc: PDFKit.PDFDocument, { lead: { kind }, way, body }: MapLegs): void {
  doc.undash().path(pathOf(way)).lineWidth(0.16).strokeColor(DARK).stroke();
  doc.path(pathOf(body)).lineWidth(0.95).stroke();
  if (kind === 'resistor' || kind === 'capacitor')
    doc.path(pathOf(body)).lineWidth(0.62).strokeColor('#ffffff').stroke();
  else {
    const [a, b] = body;
    doc.circle(a.x + (b.x - a.x) * 0.86, a.y + (b.y - a.y) * 0.86, 0.3).fill('#ffffff');
  }
  for (const end of [way[0], way.at(-1)]) if (end) doc.circle(end.x, end.y, 0.3).fill(DARK);
}

function drawLead(doc: PDFKit.PDFDocument, { lead: { kind, colour }, way }: MapLead): void {
  if (!way) return;
  const width = kind === 'own' ? 0.2 : 0.34;
  const isWhite = colour === 'white';
  if (!isWhite)
    doc
      .undash()
      .path(pathOf(way))
      .lineWidth(width + 0.2)
      .strokeColor('#ffffff')
      .stroke();
  const dashes = dashOf(colour).split(' ').map(Number).filter(Boolean);
  if (dashes.length > 0) doc.dash(dashes[0] ?? 1, { space: dashes[1] ?? 0.3 });
  doc
    .path(pathOf(way))
    .lineWidth(width)
    .strokeColor(isWhite ? DARK : inkOf(colour))
    .stroke();
  doc.undash();
}

function drawTags(doc: PDFKit.PDFDocument, { lead: { colour }, number, tags }: MapLead): void {
  for (const { x, y, half, size } of tags) {
    doc
      .lineWidth(0.08)
      .roundedRect(x - half.width, y - half.height, 2 * half.width, 2 * half.height, 0.3)
      .fillAndStroke(inkOf(colour), DARK);
    middle(doc, 'values', String(number), x, y + size * 0.36, size, figureInkOf(colour));
  }
}
