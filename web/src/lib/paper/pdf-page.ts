/** Writing down a page of a PDF and on to the next: headings, lines, rows of cells. Points, y down. */
import PDFDocument from 'pdfkit';
import { plain } from './plain-text';

export type PaperSize = 'A4' | 'LETTER';
export interface PaperFonts {
  readonly words: ArrayBuffer;
  readonly values: ArrayBuffer;
}

const MARGIN = 42;
const BODY = 9;
const INK = '#000000';
const HAIR = '#b0b0b0';

export class PdfPage {
  readonly doc: PDFKit.PDFDocument;
  private readonly parts: Uint8Array[] = [];
  private readonly ended: Promise<void>;
  y = MARGIN;

  constructor(size: PaperSize, fonts: PaperFonts, title: string) {
    // No font of the viewer's: those that ship with the app are embedded.
    this.doc = new PDFDocument({ font: '', size, margin: MARGIN, info: { Title: plain(title) }, autoFirstPage: true });
    this.doc.registerFont('words', fonts.words);
    this.doc.registerFont('values', fonts.values);
    this.doc.on('data', (chunk: Uint8Array) => this.parts.push(chunk));
    this.ended = new Promise((done) => this.doc.on('end', () => done()));
    this.doc.font('words').fillColor(INK);
  }

  get left(): number {
    return MARGIN;
  }
  get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }
  private get bottom(): number {
    return this.doc.page.height - MARGIN;
  }

  /** Goes on to a new page where less than so much is left. */
  need(height: number): void {
    if (this.y + height <= this.bottom || this.y <= MARGIN) return;
    this.doc.addPage();
    this.y = MARGIN;
  }

  heading(text: string, size = 13): void {
    this.need(size * 4);
    this.doc.font('words').fontSize(size).text(plain(text), this.left, this.y, { width: this.width });
    this.y = this.doc.y + 3;
  }

  line(text: string, width = this.width, box = false): void {
    const indent = box ? 12 : 0;
    const said = plain(text);
    this.doc.font('words').fontSize(BODY);
    this.need(this.doc.heightOfString(said, { width: width - indent }) + 2);
    if (box) this.box(this.left, this.y + 1.5, 7, false);
    this.doc.text(said, this.left + indent, this.y, { width: width - indent });
    this.y = this.doc.y + 2;
  }

  box(x: number, y: number, size: number, ticked: boolean): void {
    this.doc.lineWidth(0.7).strokeColor(INK).rect(x, y, size, size).stroke();
    if (ticked)
      this.doc
        .moveTo(x, y)
        .lineTo(x + size, y + size)
        .moveTo(x + size, y)
        .lineTo(x, y + size)
        .stroke();
  }

  rule(): void {
    this.doc
      .lineWidth(0.5)
      .strokeColor(INK)
      .moveTo(this.left, this.y)
      .lineTo(this.left + this.width, this.y)
      .stroke();
    this.y += 6;
  }

  /** @param shares of the width, one for each cell */
  row(cells: readonly string[], shares: readonly number[], width = this.width): void {
    const sum = shares.reduce((a, b) => a + b, 0);
    const widths = shares.map((share) => (share / sum) * width - 6);
    const said = cells.map(plain);
    this.doc.font('words').fontSize(BODY);
    const height = Math.max(...said.map((text, i) => this.doc.heightOfString(text || ' ', { width: widths[i] ?? 40 })));
    this.need(height + 4);
    let x = this.left;
    said.forEach((text, i) => {
      this.doc.text(text, x, this.y, { width: widths[i] ?? 40 });
      x += (widths[i] ?? 40) + 6;
    });
    this.y += height + 1.5;
    this.doc
      .lineWidth(0.4)
      .strokeColor(HAIR)
      .moveTo(this.left, this.y)
      .lineTo(this.left + width, this.y)
      .stroke();
    this.y += 2.5;
  }

  async end(): Promise<Uint8Array> {
    this.doc.end();
    await this.ended;
    const whole = new Uint8Array(this.parts.reduce((sum, { length }) => sum + length, 0));
    let at = 0;
    for (const part of this.parts) {
      whole.set(part, at);
      at += part.length;
    }
    return whole;
  }
}
