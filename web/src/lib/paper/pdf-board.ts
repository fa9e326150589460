/** The board map in a PDF: lines and letters, each lead in its colour and with its name. */
import type { Drawing, DrawnLead } from '@idle-breadboard/core/deliver';
import { INKS } from '@idle-breadboard/core/files';
import { say } from '@idle-breadboard/core/words';
import { plain } from './plain-text';

export interface Frame {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

const DARK = '#2a2824';
const DIM = '#a8a499';

/** Height that a drawing takes in a width. */
export const boardHeight = ({ box }: Drawing, width: number): number =>
  (width * (box.bottom - box.top)) / (box.right - box.left);

const holesPath = (drawing: Drawing): string =>
  drawing.holes.map(({ x, y }) => `M${x - 0.2} ${y - 0.2}h0.4v0.4h-0.4z`).join('');

/** @param leads keys of the leads to be seen; null for all */
export function drawBoard(
  doc: PDFKit.PDFDocument,
  drawing: Drawing,
  { x, y, width }: Frame,
  leads: ReadonlySet<string> | null,
  parts: ReadonlySet<string> | null,
): void {
  const scale = width / (drawing.box.right - drawing.box.left);
  doc.save();
  doc.translate(x, y).scale(scale).translate(-drawing.box.left, -drawing.box.top);
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
  doc.path(holesPath(drawing)).fill('#c9c4b6');
  doc.font('values').fontSize(0.9);
  for (const letter of drawing.letters) middle(doc, letter.text, letter.x, letter.y + 0.35, 0.9, DIM);
  for (const part of drawing.parts) {
    const ink = parts === null || parts.has(part.part) ? DARK : DIM;
    const { left, top, right, bottom } = part.box;
    doc
      .lineWidth(0.16)
      .roundedRect(left, top, right - left, bottom - top, 0.4)
      .fillOpacity(part.seated ? 0.75 : 1);
    doc.fillAndStroke('#ffffff', ink).fillOpacity(1);
    const most = Math.max(3, Math.floor((right - left) / (part.name.size * 0.55)));
    const label = say(part.label);
    const name = label.length <= most ? label : `${label.slice(0, most - 1)}…`;
    doc.font('words');
    middle(doc, name, part.name.x, part.name.y, part.name.size, ink);
    for (const pin of part.pins) {
      if (pin.first) doc.rect(pin.x - 0.35, pin.y - 0.35, 0.7, 0.7).fill(ink);
      else doc.circle(pin.x, pin.y, 0.35).fill(ink);
      if (!part.seated) middle(doc, pin.label, pin.x, pin.y + (top < 0 ? -0.7 : 1.4), 0.9, ink);
    }
  }
  for (const lead of drawing.leads) if (leads === null || leads.has(lead.key)) drawLead(doc, lead, leads !== null);
  for (const joint of drawing.joints) {
    doc.lineWidth(0.16).circle(joint.x, joint.y, 0.7).fillAndStroke('#ffffff', DARK);
    middle(doc, joint.text, joint.x, joint.y + 0.35, 0.9, DARK);
  }
  doc.restore();
  doc.fillColor('#000000').strokeColor('#000000');
}

function middle(doc: PDFKit.PDFDocument, text: string, x: number, y: number, size: number, ink: string): void {
  const said = plain(text);
  doc.fontSize(size).fillColor(ink);
  doc.text(said, x - doc.widthOfString(said) / 2, y - size, { lineBreak: false });
}

function drawLead(doc: PDFKit.PDFDocument, { kind, colour, value, a, b, bend }: DrawnLead, named: boolean): void {
  if (kind !== 'lead' && kind !== 'own') {
    const at = (share: number) => [a.x + (b.x - a.x) * share, a.y + (b.y - a.y) * share] as const;
    doc.strokeColor(DARK).lineWidth(0.16).moveTo(a.x, a.y).lineTo(b.x, b.y).stroke();
    doc
      .lineWidth(0.95)
      .moveTo(...at(0.25))
      .lineTo(...at(0.75))
      .stroke();
    if (kind === 'resistor' || kind === 'capacitor') {
      doc
        .strokeColor('#ffffff')
        .lineWidth(0.62)
        .moveTo(...at(0.25))
        .lineTo(...at(0.75))
        .stroke();
      middle(doc, say(value), bend.x, bend.y - 0.5, 1, DARK);
    } else doc.circle(...at(0.68), 0.3).fill('#ffffff');
  } else {
    const line = () => doc.moveTo(a.x, a.y).quadraticCurveTo(bend.x, bend.y, b.x, b.y);
    line().lineWidth(0.5).strokeColor(DARK).stroke();
    line()
      .lineWidth(0.34)
      .strokeColor(INKS[colour] ?? DIM)
      .stroke();
    if (named) middle(doc, colour, (a.x + 2 * bend.x + b.x) / 4, (a.y + 2 * bend.y + b.y) / 4, 0.95, DARK);
  }
  for (const end of [a, b]) doc.circle(end.x, end.y, 0.3).fill(DARK);
}
