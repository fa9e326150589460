/** Writing down a page of a PDF and on to the next: headings, lines, rows of cells. Points, y down. */
import PDFDocument from 'pdfkit';
import { plain, runsOf } from './plain-text';

export type PaperSize = 'A4' | 'LETTER';
export interface PaperFonts {
  readonly words: ArrayBuffer;
  readonly values: ArrayBuffer;
  /** Signs that the two lack. */
  readonly signs: ArrayBuffer;
  readonly micro: ArrayBuffer;
}

const MARGIN = 42;
const BODY = 9;
const INK = '#000000';
const HAIR = '#b0b0b0';
/** How far the letters of the fonts rise above their line, as a share of their size. */
const ASCENT = 0.984;

/** Writes a text whose signs come from other fonts, all on one base line. */
export function write(
  doc: PDFKit.PDFDocument,
  font: 'words' | 'values',
  size: number,
  text: string,
  { x, y, ...options }: { x: number; y: number } & PDFKit.Mixins.TextOptions,
): void {
  const runs = runsOf(text);
  runs.forEach((run, i) => {
    const more = { ...options, baseline: -ASCENT * size, continued: i < runs.length - 1 };
    doc.font(run.font === 'own' ? font : run.font).fontSize(size);
    if (i === 0) doc.text(run.text, x, y, more);
    else doc.text(run.text, more);
  });
  doc.font(font);
}

export class PdfPage {
  readonly doc: PDFKit.PDFDocument;
  private readonly parts: Uint8Array[] = [];
  private readonly ended: Promise<void>;
  y = MARGIN;

  constructor(size: PaperSize, fonts: PaperFonts, title: string) {
    // No font of the viewer's: those that ship with the app are embedded.
    this.doc = new PDFDocument({ font: '', size, margin: MARGIN, info: { Title: title }, autoFirstPage: true });
    this.doc.registerFont('words', fonts.words);
    this.doc.registerFont('values', fonts.values);
    this.doc.registerFont('signs', fonts.signs);
    this.doc.registerFont('micro', fonts.micro);
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
    write(this.doc, 'words', size, text, { x: this.left, y: this.y, width: this.width });
    this.y = this.doc.y + 3;
  }

  line(text: string, width = this.width, box = false): void {
    const indent = box ? 12 : 0;
    this.doc.font('words').fontSize(BODY);
    this.need(this.doc.heightOfString(plain(text), { width: width - indent }) + 2);
    if (box) this.box(this.left, this.y + 1.5, 7, false);
    write(this.doc, 'words', BODY, text, { x: this.left + indent, y: this.y, width: width - indent });
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
    this.doc.font('words').fontSize(BODY);
    const height = Math.max(
      ...cells.map((text, i) => this.doc.heightOfString(plain(text) || ' ', { width: widths[i] ?? 40 })),
    );
    this.need(height + 4);
    let x = this.left;
    cells.forEach((text, i) => {
      write(this.doc, 'words', BODY, text, { x, y: this.y, width: widths[i] ?? 40 });
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
